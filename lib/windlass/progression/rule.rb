# frozen_string_literal: true

module Windlass
  module Progression
    # One rule: when it fires it gives its verdict and says why, with the evidence.
    class Rule
      attr_reader :id, :verdict, :fires_when

      # @param id [String] stable name
      # @param verdict [Symbol] one of {VERDICTS}
      # @param fires_when [String] the condition in words
      # @yieldparam record [Record]
      # @yieldreturn [String, nil] the reason, or nothing where it does not fire
      def initialize(id, verdict, fires_when, &check)
        @id = id
        @verdict = verdict
        @fires_when = fires_when
        @check = check
        freeze
      end

      # @return [Reason, nil]
      def check(record)
        text = @check.call(record)
        text && Reason.new(rule: id, verdict: verdict, text: text)
      end
    end

    # Strongest first.
    VERDICTS = %i[stop rest ease repeat advance].freeze

    Reason = Value.define(:rule, :verdict, :text)
  end
end
