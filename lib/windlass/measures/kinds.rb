# frozen_string_literal: true

module Windlass
  module Measures
    # A kind of measure is a file in this folder and a line here. The control pause has a way of its own.
    KINDS =
      [MaximalHold, EmptyHold, SustainedExhale, BreathingMovement, RestingNumbers].map { |kind| kind.new.freeze }.freeze

    # @param id [String]
    # @return [Kind]
    # @raise [Unknown]
    def self.kind(id) = KINDS.find { |kind| kind.id == id } || raise(Unknown.new("measure", id, KINDS.map(&:id)))
  end
end
