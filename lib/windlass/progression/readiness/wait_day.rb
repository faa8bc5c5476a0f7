# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      WaitDay = Rule.new("wait.day", :wait,
        "a second table, single hold or loaded session in a day; a third day running of carbon-dioxide tables", "tomorrow") do |situation|
        activity = situation.activity
        tomorrow = "Ready on #{Words.date(situation.date + 1)}."
        done = activity.once_a_day? && situation.on(situation.date).find { |past| past.begun? && past.activity.once_a_day? }
        running = activity.days_running && (1..activity.days_running).all? do |back|
          situation.on(situation.date - back).any? { |past| past.begun? && past.protocol == activity.id }
        end
        if done
          {text: "#{done.activity.name} is done today: one such session a day.", lifts: tomorrow}
        elsif running
          {text: "#{activity.name} on the #{activity.days_running} days before: not a third day running.", lifts: tomorrow}
        end
      end
    end
  end
end
