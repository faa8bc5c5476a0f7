# frozen_string_literal: true

module Windlass
  module Queries
    # What today's answers make of a set that lies on a phone: each by itself. Several together forbid what any of them
    # does; a chest illness is one.
    module AnswersOnPhone
      # @param situation [Progression::Situation] as the day is known now
      # @param washout [Float, nil] strongest that is forecast for it, mmHg
      # @return [Hash{Symbol => Array<Progression::Readiness::Reason>}] by answer: what it adds; no entry where nothing
      def self.of(situation, washout)
        usual = Progression::Readiness.of(situation).reasons
        all = Progression::TodaysQuestions::ALL.keys
        all.to_h { |answer| [answer, added(situation, answer, washout) - usual] }.reject { |_, added| added.empty? }
      end

      def self.added(situation, answer, washout)
        said = situation.with(answers: [*situation.answers, answer], forecast_washout: washout)
        said = said.with(illness: ill(situation)) if answer == :unwell
        Progression::Readiness.of(said).reasons
      end

      def self.ill(situation) =
        Progression::Illness.new(last_day: situation.date, chest: situation.illness&.chest || false)
      private_class_method :added, :ill
    end
  end
end
