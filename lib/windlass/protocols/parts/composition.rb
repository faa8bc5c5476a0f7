# frozen_string_literal: true

module Windlass
  module Protocols
    # A dose with all that is known of it: what a coach looks at while composing.
    Composition =
      Value.define(:protocol, :dose, :timeline, :forecast, :measures) do
        # @param forecast [Physiology::Forecast, nil] nil where the model has nothing to say
        # @param measures [Measures::Values, nil] of the athlete; nil: for nobody
        def initialize(protocol:, dose:, timeline: protocol.compile(dose), forecast: nil, measures: nil)
          super
        end

        # @return [Array<Array(Integer, Physiology::HoldForecast)>] numbers of holds, and what is forecast of them
        def holds(&block) =
          if forecast.nil?
            []
          else
            forecast
              .holds
              .each
              .with_index(1)
              .map { |hold, number| [number, hold] }
              .select { |_, hold| block.call(hold) }
          end

        # @return [Symbol] the parameter that shapes that part of the session; the first one where none says so
        def key_of(*shapes)
          shapes.each { |shape| (found = protocol.parameters.find { |one| one.shapes == shape }) && (return found.key) }
          protocol.parameters.first&.key || :blocks
        end
      end
  end
end
