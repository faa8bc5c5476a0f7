# frozen_string_literal: true

module Windlass
  module Cli
    # `judge [FILE]`: a session among those before it in, the verdict with its reasons out. rung is where it leads; null is
    # quiet breathing and a new measure.
    module Judge
      NAME = "judge"
      USAGE = "judge [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] JSON
      # @param today [Date] later sessions are refused
      # @return [Hash] plain JSON values
      # @raise [InvalidInput]
      def self.call(text, _options, today: Date.today)
        data = Formats::JsonInput.new("judge.schema.json").read(text)
        standing = Formats::Parts.standing(data, Formats::Parts.ladder(data))
        session = Formats::Parts.session(data.fetch("session"), "session", "session", protocol: standing.protocol.id, dose: standing.dose)
        refuse_future(session, today)
        answer(Progression::Judge.judge(session, history: Formats::Parts.history(data, standing.protocol.id, standing.ladder), standing: standing))
      end

      def self.refuse_future(session, today)
        return if session.date <= today

        raise InvalidInput, ["session.date: \"#{session.date}\" is not allowed; allowed: up to today, #{today}"]
      end

      def self.answer(verdict)
        {verdict: verdict.verdict, rung: verdict.target&.rung, reduced: verdict.target&.reduced || nil, clean: verdict.clean,
         reasons: verdict.reasons.map { |reason| reason.to_h.slice(:rule, :text) }}.reject { |key, value| key == :reduced && value.nil? }
      end
      private_class_method :refuse_future, :answer
    end
  end
end
