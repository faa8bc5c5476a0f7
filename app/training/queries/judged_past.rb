# frozen_string_literal: true

module Windlass
  module Queries
    # What the judge looks back at, of one athlete: read once, however many of the days are judged.
    class JudgedPast
      # Days, and what they show, by the sets that they are made of and their marks.
      DAYS = BoundedCache.new(500)

      # @param athlete [Records::Athlete]
      # @param days [Range<Date>]
      def initialize(athlete, days)
        @athlete = athlete
        @sets = Records::Session.core_sets(athlete.id, days)
      end

      attr_reader :athlete

      # @return [Measures::Values] what doses are computed from
      def values = @values ||= athlete.to_values

      # @return [Array] what bounds doses, besides the day and the measures
      def bounded_by = @bounded_by ||= athlete.bounded_by

      # @param date [Date]
      # @return [Progression::History] days before it, as far as any rule looks back
      def before(date) = history.between(date - JudgeDay::HISTORY_DAYS, date)

      # @param ids [Array<Integer>] records of one day and dose, in order
      # @return [Progression::Session] the day
      def day(ids) = days[ids]&.session || JudgeDay.of_day(@sets.values.index_by(&:id).fetch_values(*ids))

      private

      def history = @history ||= Progression::History.of_evidence(days.values)

      # @return [Hash{Array<Integer> => Progression::Evidence}] by the sets of the day
      def days
        @days ||=
          @sets
            .group_by { |_, set| [set.protocol, set.dose, set.date] }
            .values
            .to_h do |marked|
              marks, sets = marked.transpose
              [sets.map(&:id), DAYS.fetch(marks) { Progression::Evidence.of(JudgeDay.of_day(sets)) }]
            end
      end
    end
  end
end
