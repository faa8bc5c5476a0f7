# frozen_string_literal: true

module Windlass
  module Queries
    # What athletes carry: held seconds by week, strenuous days, what was eased, when they were measured.
    class Loads
      # @param ids [Array<Integer>] of athletes
      # @param monday [Date] of this week
      # @param weeks [Integer] so far back
      def initialize(ids, monday:, today:, weeks:)
        @ids = ids
        @monday = monday
        @today = today
        @weeks = weeks
      end

      # @return [Hash{Integer => Hash{Date => Float}}] seconds by athlete and monday
      def held
        @held ||= Records::AthleteSnapshot.of(:held, @ids, @monday.jd) { |some| sums(some) }
      end

      # @return [Hash{Integer => Integer}] strenuous days of this week, by athlete
      def strenuous
        @strenuous ||=
          Records::Session
            .kept
            .where(athlete_id: @ids, local_date: @monday..)
            .where("done_ms > 0")
            .distinct
            .select(:athlete_id, :local_date, :protocol, :dose)
            .select { |one| one.to_protocol.strenuous? }
            .map { |one| [one.athlete_id, one.local_date] }
            .uniq
            .map(&:first)
            .tally
      end

      # @return [Hash{Integer => Array<String>}] what was decided in a fortnight to ease, rest or stop, by athlete
      def lately
        @lately ||=
          Records::Move
            .kept
            .joins(:prescription)
            .where(
              prescriptions: {athlete_id: @ids},
              decided: %w[ease rest stop],
              local_date: (@today - 14)..
            )
            .pluck("prescriptions.athlete_id", :decided)
            .group_by(&:first)
            .transform_values { |rows| rows.map(&:last) }
      end

      # @return [Hash{Integer => Time}] the newest measure of any kind
      def newest =
        @newest ||=
          Records::Measure
            .newest(@ids, Records::Measure.newest_of(Records::Measure.all))
            .pluck(:athlete_id, :taken_at)
            .to_h

      # @return [Hash{Integer => Array<String>}] names, by athlete
      def groups =
        @groups ||=
          Records::Member
            .joins(:group)
            .where(athlete_id: @ids)
            .pluck(:athlete_id, "groups.name")
            .group_by(&:first)
            .transform_values { |rows| rows.map(&:last) }

      private

      def sums(ids)
        days =
          Records::Round
            .joins(:session)
            .where(
              sessions: {
                athlete_id: ids,
                local_date: (@monday - 7 * @weeks)..,
                state: Records::Session::OVER,
                discarded_at: nil
              }
            )
            .where.not(hold: nil)
            .group("sessions.athlete_id", "sessions.local_date")
            .sum(:held_ms)
        days.each_with_object(ids.to_h { |id| [id, {}] }) do |((id, date), ms), sums|
          day = date.to_date
          week = day - (day.cwday - 1)
          sums[id][week] = sums[id].fetch(week, 0) + ms / 1000.0
        end
      end
    end
  end
end
