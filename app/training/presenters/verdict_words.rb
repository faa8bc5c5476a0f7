# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # A verdict and what was decided of it, in words.
    class VerdictWords
      extend Forwardable

      WORDS = {stop: "Stop", rest: "Rest", ease: "Ease", repeat: "Repeat", advance: "Advance"}.freeze

      # @param move [Records::Move]
      # @return [String] what was decided, said where one goes next
      def self.told(move) =
        "#{move.prescription.name}, #{Dates.short(move.local_date)}: #{move.noted ? "noted" : "decided"}, " \
        "#{WORDS.fetch(move.decided.to_sym).downcase}."

      # @param panel [VerdictPanel] with its verdict and its move, which are asked for only where they are told
      def initialize(panel)
        @panel = panel
      end

      def word = WORDS.fetch(verdict.verdict)

      def decided_word = move.noted ? "Noted" : decided

      # Where it leads, in words.
      def leads_to
        return "A newer day is decided already, so this one is only noted: nothing moves." if noted? && !verdict.stop?

        target = verdict.target or return quiet
        case verdict.verdict
        when :stop
          "All hold work stops now. After a clinician's clearance it begins anew from the lowest rung."
        when :rest
          "Quiet breathing until #{Words.date(verdict.resting_until)}, then #{words(target)}."
        when :repeat
          "Stays at #{words(target)}."
        else
          "To #{words(target)}."
        end
      end

      def decided_words
        return "A newer day was decided before: noted as #{decided.downcase}, and nothing moved." if move.noted

        sentence = "Decided#{move.by_whom}: #{decided.downcase}"
        move.overruled? ? "#{sentence}, over #{move.verdict}: #{move.overruled_because}" : sentence
      end

      # @return [String, nil] what the judge says since the log was edited
      def now_words
        if move.verdict_now
          "Judged anew after the edit: #{WORDS.fetch(move.verdict_now.to_sym).downcase}. #{move.reason_now}"
        end
      end

      def accept_words
        return "Note it: #{word.downcase}" if noted? && !verdict.stop?

        "#{verdict.stop? ? "Confirm" : "Accept"}: #{word.downcase}"
      end

      # @return [String] read out
      def said = ["#{word}.", *verdict.reasons.map(&:text)].join(" ")

      # @return [Array<Array(Symbol, String)>] the other verdicts a coach may choose
      def others =
        Progression::OVERRULABLE.reject { |one| one == verdict.verdict }.map { |one| [one, WORDS.fetch(one)] }

      private

      def_delegators :@panel, :verdict, :move, :noted?

      def quiet
        until_when = " until #{Words.date(verdict.resting_until)}" if verdict.resting_until
        "Quiet breathing#{until_when}, and a new control pause."
      end

      def decided = WORDS.fetch(move.decided.to_sym)

      def words(standing)
        "#{standing.protocol.in_words(standing.dose)} (#{LadderLine.new(standing).place.downcase})"
      end
    end
  end
end
