# frozen_string_literal: true

module Windlass
  module Presenters
    # Who carries how much: held seconds and strenuous days a week, against the line; who was eased or stopped lately;
    # who was not measured for long.
    class LoadBoard
      WEEKS = 4
      MEASURED_DAYS = 42

      # before: held in the weeks before this one, oldest first. load: this week against its line.
      Row = Value.define(:name, :athlete_id, :groups, :before, :load, :strenuous, :lately, :measured)

      attr_reader :athlete_filter

      # @param athlete_filter [AthleteFilter]
      def initialize(athlete_filter, today:)
        @athlete_filter = athlete_filter
        @today = today
      end

      # @return [Array<Row>] who is nearest to the line first
      def rows = athletes.map { |athlete| row(athlete) }.sort_by { |row| [-(row.load.share || 0), row.name] }

      # @return [Array<String>] of the weeks before, oldest first
      def heads = (1...WEEKS).map { |back| Dates.short(monday - 7 * back) }.reverse

      private

      def athletes = @athletes ||= athlete_filter.athletes.to_a

      def monday = @today - (@today.cwday - 1)

      def row(athlete)
        Row.new(
          name: athlete.name,
          athlete_id: athlete.id,
          groups: groups.fetch(athlete.id, []).join(", "),
          before: (1...WEEKS).map { |back| Words.clock(held_s(athlete, back) || 0) }.reverse,
          load: load(athlete),
          strenuous: strenuous.fetch(athlete.id, 0),
          lately:
            lately
              .fetch(athlete.id, [])
              .tally
              .map { |decided, times| "#{VerdictWords::WORDS.fetch(decided.to_sym).downcase}, #{Words.times(times)}" }
              .join("; "),
          measured: measured(athlete)
        )
      end

      def load(athlete)
        line = Programme::Walls.line_s((1..Progression::Record::RAMP_WEEKS).filter_map { |back| held_s(athlete, back) })
        Load.of({"from" => monday.iso8601, "hold_s" => held_s(athlete, 0) || 0, "limit_s" => line, "easy" => false})
      end

      def held_s(athlete, weeks_back) = held.fetch(athlete.id)[monday - 7 * weeks_back]

      # @return [Hash{Integer => Hash{Date => Float}}] seconds by athlete and monday
      def held
        @held ||= Records::AthleteSnapshot.of(:held, athletes.map(&:id), monday.jd) { |some| sums(some) }
      end

      def sums(ids)
        days =
          Records::Round
            .joins(:session)
            .where(
              sessions: {
                athlete_id: ids,
                local_date: (monday - 7 * WEEKS)..,
                state: %w[done stopped],
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

      # @return [Hash{Integer => Integer}] strenuous days of this week, by athlete
      def strenuous
        @strenuous ||=
          Records::Session
            .kept
            .where(athlete_id: athletes.map(&:id), local_date: monday..)
            .where("done_ms > 0")
            .distinct
            .select(:athlete_id, :local_date, :protocol, :dose)
            .select { |one| one.to_protocol.strenuous? }
            .map { |one| [one.athlete_id, one.local_date] }
            .uniq
            .map(&:first)
            .tally
      end

      def lately
        @lately ||=
          Records::Move
            .kept
            .joins(:prescription)
            .where(
              prescriptions: {athlete_id: athletes.map(&:id)},
              decided: %w[ease rest stop],
              local_date: (@today - 14)..
            )
            .pluck("prescriptions.athlete_id", :decided)
            .group_by(&:first)
            .transform_values { |rows| rows.map(&:last) }
      end

      def measured(athlete)
        at = newest[athlete.id] or return "never"
        days = (@today - at.getlocal.to_date).to_i
        (days > MEASURED_DAYS) ? "#{days / 7} weeks ago" : nil
      end

      # @return [Hash{Integer => Time}] the newest measure of any kind
      def newest =
        @newest ||=
          Records::Measure
            .newest(athletes.map(&:id), Records::Measure.newest_of(Records::Measure.all))
            .pluck(:athlete_id, :taken_at)
            .to_h

      def groups =
        @groups ||=
          Records::Member
            .joins(:group)
            .where(athlete_id: athletes.map(&:id))
            .pluck(:athlete_id, "groups.name")
            .group_by(&:first)
            .transform_values { |rows| rows.map(&:last) }
    end
  end
end
