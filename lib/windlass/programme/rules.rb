# frozen_string_literal: true

module Windlass
  module Programme
    # The rules of the planner. A rule is a file in this folder, and nothing else.
    module Rules
      # So long after an event nothing strenuous is planned.
      EVENT_AFTER_HOURS = 48
      # Counted from the event's day: the first on which it is surely over.
      EVENT_AFTER_DAYS = EVENT_AFTER_HOURS / 24 + 1

      # By their place, strongest first.
      ALL = Listed.in("programme/rules", Rule).sort_by(&:place).freeze

      # What a training meets on a day whatever else is planned.
      ALONE = ALL.select { |rule| rule.meets?(:day) }.freeze

      # What it meets because of what is planned already.
      AMONG = ALL.select { |rule| rule.meets?(:plan) }.freeze
    end
  end
end
