# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      # What is done already today, or on the days just before, so that there is none of it today.
      module DoneAlready
        # @return [String, nil] why not on that day
        def self.on(situation, day)
          activity = situation.activity
          same_day = situation.on(day)
          done =
            activity.once_a_day? &&
            same_day.find { |past| past.counts? && past.activity.once_a_day? && !situation.after_work?(past) }
          return "#{done.activity.name} is done today: one such session a day." if done
          if situation.over_breathing? && same_day.any?(&:over_breathed)
            return "Over-breathing is done today: once a day at most."
          end

          family =
            activity.family_ids.map { |id| Progression.activity(id) }.find { |one| running?(situation, one, day) }
          "#{family.name} on the #{family.days_running} days before: not a third day running." if family
        end

        def self.running?(situation, activity, day)
          activity.days_running &&
            (1..activity.days_running).all? do |back|
              situation.on(day - back).any? { |past| past.counts? && past.activity.family_ids.include?(activity.id) }
            end
        end
        private_class_method :running?
      end

      WaitDay =
        Rule.new(
          "wait.day",
          :wait,
          "a second table, single hold or loaded session in a day; over-breathing a second time in a day; a third " \
          "day running of carbon-dioxide tables",
          "the next day on which it is open",
          place: 30
        ) do |situation|
          refusal = DoneAlready.on(situation, situation.date)
          if refusal
            open_on = (1..).lazy.map { |days| situation.date + days }.find { |day| DoneAlready.on(situation, day).nil? }
            {text: refusal, **Readiness.not_before(open_on)}
          end
        end
    end
  end
end
