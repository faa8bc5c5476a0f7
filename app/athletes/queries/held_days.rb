# frozen_string_literal: true

module Windlass
  module Queries
    # The days on which an athlete held, as the tables have them.
    module HeldDays
      Held = Value.define(:date, :longest_s, :urge_s, :sum_s, :gasps)

      # @param athlete [Records::Athlete]
      # @return [Array<Held>] a day each
      def self.of(athlete, since:)
        rows =
          Records::Round
            .joins(:session)
            .where(
              sessions: {
                athlete_id: athlete.id,
                local_date: since..,
                state: Records::Session::OVER,
                discarded_at: nil
              }
            )
            .where.not(hold: nil)
            .where("held_ms > 0")
            .group("sessions.local_date")
            .pluck(
              Arel.sql(
                "sessions.local_date, max(held_ms), avg(first_urge_ms), sum(held_ms), sum(CASE WHEN first_breath = " \
                "'gasp' THEN 1 ELSE 0 END)"
              )
            )
        rows.map do |date, longest, urge, sum, gasps|
          Held.new(
            date: date.to_date,
            longest_s: longest / 1000.0,
            urge_s: urge && urge / 1000.0,
            sum_s: sum / 1000.0,
            gasps: gasps.to_i
          )
        end
      end
    end
  end
end
