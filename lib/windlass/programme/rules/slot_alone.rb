# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      SlotAlone =
        Rule.new("slot.alone", "over-breathing would share a slot", "over-breathing is done alone", place: 110,
          meets: %i[plan]) do |placing|
          others = placing.beside
          if others.any? && [placing.planned, *others].any?(&:over_breathing?)
            "Over-breathing is done alone, and #{others.first.training.name.downcase} lies there."
          end
        end
    end
  end
end
