# frozen_string_literal: true

module Windlass
  module Actions
    # What the judge looks back at, of one athlete: read once, however many of the days are judged.
    class JudgedPast
      # @param athlete [Records::Athlete]
      # @param days [Range<Date>]
      def initialize(athlete, days)
        @athlete = athlete
        @sets = Records::Session.core_sets(athlete.id, days)
      end

      attr_reader :athlete

      # @return [Measures::Values] what doses are computed from
      def values = @values ||= athlete.to_values

      # @param date [Date]
      # @return [Array<Progression::Session>] days before it, as far as any rule looks back
      def before(date)
        first, past = [date - JudgeDay::HISTORY_DAYS, date].map { |from| judged_days.bsearch_index { |day| day.date >= from } || judged_days.size }
        judged_days[first...past]
      end

      # @param ids [Array<Integer>] of records
      # @return [Array<Progression::Session>] each set alone
      def sets(ids) = (@by_id ||= @sets.index_by(&:id)).values_at(*ids)

      private

      def judged_days
        @judged_days ||= @sets.group_by { |set| [set.protocol, set.dose, set.date] }.values
          .map { |sets| Progression::Session.of_day(sets, name_sets: false, rounds_planned: JudgeDay.rounds_of_day(sets.last)) }.sort_by(&:date)
      end
    end
  end
end
