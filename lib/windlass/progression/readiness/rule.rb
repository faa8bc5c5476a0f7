# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      # Strongest first. :yes may still mean a lower rung.
      STATES = %i[block wait light yes].freeze

      # Why not, or not as usual. lifts: what changes it, and when. standing: where the session is to be done, if lower.
      Reason = Value.define(:rule, :state, :text, lifts: nil, standing: nil) do
        # It may be done all the same, if lighter or lower.
        def go? = %i[light yes].include?(state)
      end

      # One rule of readiness: when it fires it says why, and what lifts it.
      class Rule
        attr_reader :id, :state, :fires_when, :effect

        # @param id [String] stable name
        # @param state [Symbol] one of {STATES}
        # @param fires_when [String] the condition in words
        # @param effect [String] what it does, in words
        # @yieldparam situation [Situation]
        # @yieldreturn [Hash, nil] text, and lifts, state or standing where they have something to say
        def initialize(id, state, fires_when, effect, &check)
          @id = id
          @state = state
          @fires_when = fires_when
          @effect = effect
          @check = check
          freeze
        end

        # @return [Reason, nil]
        def check(situation)
          found = @check.call(situation)
          found && Reason.new(rule: id, state: state, **found)
        end
      end
    end
  end
end
