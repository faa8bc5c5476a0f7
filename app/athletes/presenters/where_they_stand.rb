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
        others = athlete.measures.where.not(kind: "control_pause").order(:taken_at).group_by(&:kind)
        Measures::KINDS.filter_map do |kind|
          own = others[kind.id]&.map { |one| [one.taken_at.getlocal.to_date, one.value] } or next
          recent = own.select { |day, _| day > today - ControlPauseChart::DAYS }
          Standing.new(
            name: kind.name,
            figure: kind.value_words(own.last.last),
            words: Dates.opening(own.last.first, today),
            path: "/measures/#{others[kind.id].last.uuid}",
            spark: Spark.of(recent, today: today)
          )
        end
      end
    end
  end
end
