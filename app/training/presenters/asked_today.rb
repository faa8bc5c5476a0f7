# frozen_string_literal: true

module Windlass
  module Presenters
    # What an athlete is asked before a session of today, and whether asking again may change anything.
    class AskedToday
      # What bars is said today, or nobody was named.
      MAY_CHANGE = %w[block.today block.water block.buddy block.care].freeze

      # @param athlete [Records::Athlete]
      # @param today [Date]
      # @param said [Records::Day, nil] what was said today
      # @param standing [Progression::Standing, nil]
      # @param ready [Progression::Ready, nil]
      def initialize(athlete, today, said:, standing:, ready:)
        @athlete = athlete
        @today = today
        @said = said
        @standing = standing
        @ready = ready
      end

      # @return [Records::Day] what was said today; empty where nothing was
      def day = @day ||= @athlete.day_on(@today, @said)

      # @return [String, nil]
      def day_said = day.new_record? ? nil : day.in_words

      # @return [Array<Array(Symbol, String, Boolean)>]
      def questions = Progression::TodaysQuestions::ALL.map { |answer, words| [answer, words, day.says?(answer)] }

      # @return [Boolean] a forecast hold falls under the planning floor: somebody beside, and an oximeter on, before it
      #   starts
      def care? = !@standing.nil? && @standing.ladder.care?(@standing.rung)

      def askable? = @ready.go? || (@ready.reasons.reject(&:go?).map(&:rule) - MAY_CHANGE).empty?

      # @return [String] what the button says under the questions
      def ask_words = @ready.go? ? "All well: start" : "Check again and start"

      # @return [Protocols::Protocol] for a day that is none for this
      def instead = Protocols.always_open
    end
  end
end
