# frozen_string_literal: true

module Windlass
  module Protocols
    # One thing that a ladder moves, by one step at a time.
    Lever = Value.define(:key, :words, :step, :harder, :limit) do
      # @param key [Symbol] key of the dose
      # @param step [Numeric] signed: toward harder
      # @param harder [Symbol] :up where more is harder, :down where less is
      # @param limit [#call] Measures::Values -> the last value a ladder may reach
      def initialize(key:, words:, step:, limit:, harder: :up)
        super
      end

      def harder?(value, than) = (harder == :up) ? value > than : value < than

      # A coach's limit may be tighter than the trade's, never looser.
      def limit_for(measures, coach = nil)
        own = limit.call(measures)
        return own if coach.nil?

        (harder == :up) ? [own, coach].min : [own, coach].max
      end
    end
  end
end
