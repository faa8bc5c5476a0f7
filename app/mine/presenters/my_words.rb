# frozen_string_literal: true

module Windlass
  module Presenters
    # What rules say, for whoever trains by it: without the words of the coach's desk.
    module MyWords
      COACHS = /\b(rungs?|ladder|prescri\w+|verdicts?|screen\w*)\b/i
      ASK = "Ask your coach."
      # What comes of a day, where the same next time is nothing to say a reason for.
      NEXT = {
        "advance" => "Next time one small step further.",
        "repeat" => "The same again next time.",
        "ease" => "Next time easier.",
        "rest" => "Rest now: quiet breathing only.",
        "stop" => "No holds now. Speak with your coach before you train again."
      }.freeze

      # @param text [String] as a rule says it
      # @return [String, nil] nil where it speaks of what only a coach knows
      def self.plain(text) = (text unless text.to_s.match?(COACHS))

      # @param reasons [Array<Progression::Readiness::Reason>] that speak against it
      # @return [Array<String>]
      def self.reasons(reasons)
        reasons.map { |reason| [plain(reason.text), plain(reason.lifts)].compact.join(" ").presence || ASK }.uniq
      end
    end
  end
end
