# frozen_string_literal: true

module Windlass
  module Presenters
    # What is to be minded of an athlete before anything is begun.
    class ToMind
      # @param athlete [Records::Athlete]
      # @param screening [ScreeningSheet]
      def initialize(athlete, screening)
        @athlete = athlete
        @screening = screening
      end

      # @return [Array<String>] when reading this athlete's scores
      def cautions = [paused, nervous, asleep].compact

      # @param rest [Records::Suspension, nil]
      # @return [Array<String>]
      def minded(rest) = [rest&.reason, *cautions, *cares].compact

      private

      def paused
        return unless @athlete.control_pause_use == "paused"

        again = @athlete.control_pause_again_on&.then { |day| "Asked again on #{Words.date(day)}." }
        ["The control pause is paused: quiet breathing comes first.", *again].join(" ")
      end

      def nervous = ("Uneasy with a blocked nose: never chase the score." if @athlete.nervous)

      def asleep
        "Signs of bad sleep: a long score is a warning, and its fall is progress." if @athlete.sleep_signs
      end

      # What the screening leaves open with care, and to what.
      def cares
        @screening
          .rows
          .select { |row| row.state == :care }
          .group_by(&:reasons)
          .map { |reasons, rows| "Care in #{Words.list(rows.map { |row| row.words.downcase })}: #{reasons.join(" ")}" }
      end
    end
  end
end
