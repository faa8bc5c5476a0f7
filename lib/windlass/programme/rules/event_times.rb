# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      EventTimes =
        Rule.new(
          "event.times",
          "in the seven days before an event there would be more than half of a training's times, rounded up",
          "no more of it there",
          place: 100, meets: %i[plan]
        ) do |placing|
          events = placing.calendar.easings(placing.date)
          next if events.empty?

          most = placing.calendar.eased_times(placing.training)
          own =
            [*placing.before, *placing.placed].select { |one| one.key == placing.training.key }.map(&:jd) +
            placing.walls.done.fetch(placing.training.key, []).map(&:jd)
          event = events.find { |one| own.count { |jd| (1..Calendar::EASING_DAYS).cover?(one.date.jd - jd) } >= most }
          "Half of its times in the #{Calendar::EASING_DAYS} days before #{event.in_words}: #{most}." if event
        end
    end
  end
end
