# frozen_string_literal: true

module Windlass
  module Presenters
    # How an athlete moved on their ladders over some weeks, and what worked.
    class Steps
      # Sessions at either end whose first urges are set against each other.
      ENDS = 3

      # @param athlete [Records::Athlete]
      # @param since [Date]
      def initialize(athlete, since:)
        @athlete = athlete
        @since = since
      end

      # @return [Array<Array(String, String, String, String)>] day, protocol, what was decided, the dose after it;
      #   newest first
      def rows
        moves
          .sort_by { |move| [move.local_date, move.id] }
          .reverse
          .map do |move|
            prescription = move.prescription
            dose = Records::Record.dose(move.dose_after || prescription.dose)
            [
              Dates.short(move.local_date),
              prescription.name,
              VerdictWords::WORDS.fetch(move.decided.to_sym).downcase,
              dose ? Protocols.bound(prescription.protocol) { dose }.in_short(dose) : "quiet breathing"
            ]
          end
      end

      # @return [Array<String>] a protocol each
      def sentences
        moves
          .group_by(&:prescription)
          .map { |prescription, own| "#{prescription.name}: #{moved(own)}.#{urges(prescription)}" }
          .sort
      end

      private

      def moves =
        @moves ||=
          Records::Move
            .kept
            .where(noted: false, prescription_id: @athlete.prescription_ids, local_date: @since..)
            .includes(:prescription)
            .to_a

      def moved(own)
        decided = own.map(&:decided).tally
        down = decided.values_at("ease", "rest", "stop").compact.sum
        "#{Words.count(own.size, "day")} judged, #{Words.count(decided.fetch("advance", 0), "step")} up, #{down} down"
      end

      # Later urges are what the work is for.
      def urges(prescription)
        of_days =
          Records::Round
            .joins(:session)
            .where(sessions: {prescription_id: prescription.id, local_date: @since.., discarded_at: nil})
            .where.not(first_urge_ms: nil)
            .group("sessions.local_date")
            .order("sessions.local_date")
            .pluck(Arel.sql("avg(first_urge_ms)"))
        return if of_days.size < 2 * ENDS

        before, after = [of_days.first(ENDS), of_days.last(ENDS)].map { |days| (Trends.median(days) / 1000.0).round(1) }
        " First urge, median of the first and of the last three days: #{Words.hold(before)}, then #{Words.hold(after)}."
      end
    end
  end
end
