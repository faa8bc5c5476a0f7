# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      # Strongest first. :yes may still mean a lower rung.
      STATES = %i[block wait light yes].freeze

      # Why not, or not as usual. lifts: what changes it, and when. opens: the moment, in seconds; :never where no time
      # changes it; nil where it can be changed at once. standing: where the session is to be done, if lower.
      Reason =
        Value.define(:rule, :state, :text, lifts: nil, opens: nil, standing: nil) do
          # It may be done all the same, if lighter or lower.
          def go? = %i[light yes].include?(state)

          # @return [Array] to sort by: the strongest state; then what bars for good; of what opens, the latest
          def place = [STATES.index(state), OPENS.index { |kind| kind === opens }, opens.is_a?(Numeric) ? -opens : 0]
        end
      OPENS = [:never, Numeric, nil].freeze
      private_constant :OPENS

      # When this alone no longer binds: whatever else may.
      # @param at [Date, Time]
      # @param offset_s [Integer] seconds by which the place's clock is ahead
      # @return [Hash] of a {Reason}
      def self.not_before(at, offset_s = 0)
        if at.is_a?(Date)
          return {lifts: "Not before #{Words.date(at)}.", opens: (at.jd - UNIX_JD) * 86_400 - offset_s}
        end

        {lifts: "Not before #{Words.moment(at).delete_prefix("on ")}.", opens: at.to_f}
      end
      UNIX_JD = Date.new(1970, 1, 1).jd
      private_constant :UNIX_JD

      # One rule of readiness: when it fires it says why, and what lifts it.
      class Rule < Windlass::Rule
        attr_reader :state

        # @param id [String] stable name
        # @param state [Symbol] one of {STATES}
        # @param fires_when [String] the condition in words
        # @param effect [String] what it does, in words
        # @yieldparam situation [Situation]
        # @yieldreturn [Hash, nil] text, and lifts, state or standing where they have something to say
        def initialize(id, state, fires_when, effect, &check)
          @state = state
          super(id, fires_when, effect, &check)
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
