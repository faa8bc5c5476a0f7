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

      def known = @known ||= Queries::Loads.new(athletes.map(&:id), monday: monday, today: @today, weeks: WEEKS)

      def monday = @today - (@today.cwday - 1)

      def row(athlete)
        Row.new(
          name: athlete.name,
          athlete_id: athlete.id,
          groups: known.groups.fetch(athlete.id, []).join(", "),
          before: (1...WEEKS).map { |back| Words.clock(held_s(athlete, back) || 0) }.reverse,
          load: load(athlete),
          strenuous: known.strenuous.fetch(athlete.id, 0),
          lately:
            known
              .lately
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

      def held_s(athlete, weeks_back) = known.held.fetch(athlete.id)[monday - 7 * weeks_back]

      def measured(athlete)
        at = known.newest[athlete.id] or return "never"
        days = (@today - at.getlocal.to_date).to_i
        (days > MEASURED_DAYS) ? "#{days / 7} weeks ago" : nil
      end
    end
  end
end
