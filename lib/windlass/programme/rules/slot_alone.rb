# frozen_string_literal: true

module Windlass
  module Programme
    SlotAloneRule = Rule.new("slot.alone", "over-breathing would share a slot", "over-breathing is done alone") do |placing|
      others = placing.beside
      "Over-breathing is done alone, and #{others.first.training.name.downcase} lies there." if others.any? && [placing.planned, *others].any?(&:over_breathing?)
    end
  end
end
