# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      EVENT_BEFORE_HOURS = 72

      EventStrenuous =
        Rule.new(
          "event.strenuous",
          "a strenuous session would end less than 72 hours before an event or a test",
          "nothing strenuous there",
          place: 30
        ) do |placing|
          next unless placing.activity.strenuous?

          ends = placing.planned.ends
          event =
            placing.calendar.events.find do |one|
              (0...EVENT_BEFORE_HOURS * 3600).cover?(placing.calendar.begins(one) - ends)
            end
          if event
            "Nothing strenuous in the #{EVENT_BEFORE_HOURS} hours before #{event.in_words}. Open from " \
            "#{Words.date(event.date + EVENT_AFTER_DAYS)} on."
          end
        end
    end
  end
end
