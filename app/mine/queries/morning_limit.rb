# frozen_string_literal: true

module Windlass
  module Queries
    # The morning score at or under which a day to come is a lighter one: a phone without a network goes by it.
    module MorningLimit
      HOUR = 7
      TENTHS = 10.0

      # @param situation [Progression::Situation] as the day is known now
      # @return [Float, nil] seconds; nil where no score would change the day, or one did already
      def self.of(situation)
        return if light?(situation)

        least, most = Measures::PLAUSIBLE_S.minmax.map { |seconds| (seconds * TENTHS).to_i }
        return unless light?(scored(situation, least / TENTHS))

        usual = (least..most).bsearch { |tenths| !light?(scored(situation, tenths / TENTHS)) }
        ((usual || most + 1) - 1) / TENTHS
      end

      # @param seconds [Float]
      # @return [Progression::Situation] the same day, with that score of the morning
      def self.scored(situation, seconds)
        score =
          Measures::ControlPause.new(
            seconds: seconds, taken_at: situation.date.to_time + HOUR * 3600, on_waking: true, ended_by: :wish,
            first_breath: :calm
          )
        situation.with(mornings: Measures::MorningSeries.new([*situation.mornings.scores, score]))
      end

      def self.light?(situation) = !Progression::Readiness::LightControlPause.check(situation).nil?
      private_class_method :light?
    end
  end
end
