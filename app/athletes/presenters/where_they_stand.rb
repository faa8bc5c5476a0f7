# frozen_string_literal: true

module Windlass
  module Presenters
    # Where an athlete stands: the newest of each measure that doses hang on.
    module WhereTheyStand
      Standing = Value.define(:name, :figure, :words, :path, :spark)

      # @param athlete [Records::Athlete]
      # @param today [Date]
      # @return [Array<Standing>] of what is no control pause, in the order of the measures
      def self.of(athlete, today)
        others =
          athlete.measures.where.not(kind: "control_pause").order(:taken_at)
            .pluck(:kind, :taken_at, :value, :uuid)
            .group_by(&:first)
        Measures::KINDS.filter_map { |kind| others[kind.id]&.then { |taken| standing(kind, taken, today) } }
      end

      # @param taken [Array<Array>] all of a kind, in the order in which they were taken
      def self.standing(kind, taken, today)
        own = taken.map { |_, taken_at, value, _| [taken_at.getlocal.to_date, value] }
        day, newest = own.last
        Standing.new(
          name: kind.name,
          figure: kind.value_words(newest),
          words: Dates.opening(day, today),
          path: "/measures/#{taken.last.last}",
          spark: Spark.of(own.select { |on, _| on > today - ControlPauseChart::DAYS }, today: today)
        )
      end
      private_class_method :standing
    end
  end
end
