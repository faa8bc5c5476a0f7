# frozen_string_literal: true

module Windlass
  module Progression
    # One rule: when it fires it gives its verdict and says why, with the evidence.
    class Rule < Windlass::Rule
      attr_reader :verdict

      # @param id [String] stable name
      # @param verdict [Symbol] one of {VERDICTS}
      # @param fires_when [String] the condition in words
      # @param looks_at [Symbol] :session, where what one session shows is enough; :past, where those before it matter
      # @param spoils [Boolean] a session on which it fires is not clean: it breaks a row of clean ones
      # @yieldparam shown [Evidence, Record] what it looks at: the evidence of a session, or the record with its past
      # @yieldreturn [String, nil] the reason, or nothing where it does not fire
      def initialize(id, verdict, fires_when, looks_at: :session, spoils: verdict != :advance, place: LAST, &check)
        @verdict = verdict
        @looks_at = looks_at
        @spoils = spoils
        super(id, fires_when, place: place, &check)
      end

      def spoils? = @spoils

      def of_session? = @looks_at == :session

      # @param record [Record]
      # @return [Reason, nil]
      def check(record)
        text = fires(of_session? ? record.evidence : record)
        text && Reason.new(rule: id, verdict: verdict, text: text)
      end
    end
  end
end
