# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      # One rule of readiness: when it fires it says why, and what lifts it.
      class Rule < Windlass::Rule
        attr_reader :state

        # @param id [String] stable name
        # @param state [Symbol] one of {STATES}
        # @param fires_when [String] the condition in words
        # @param effect [String] what it does, in words
        # @yieldparam situation [Situation]
        # @yieldreturn [Hash, nil] text, and lifts, state or standing where they have something to say
        def initialize(id, state, fires_when, effect, place: LAST, &check)
          @state = state
          super(id, fires_when, effect, place: place, &check)
        end

        # @return [Reason, nil]
        def check(situation)
          found = fires(situation)
          found && Reason.new(rule: id, state: state, **found)
        end
      end
    end
  end
end
