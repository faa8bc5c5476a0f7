# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      EventAfter =
        Rule.new(
          "event.after",
          "a strenuous session would begin less than 48 hours after an event",
          "nothing strenuous there",
          place: 50
        ) do |placing|
          next unless placing.activity.strenuous?

          event =
            placing
              .calendar
              .events
              .reject(&:test?)
              .find do |one|
                placing.date >= one.date && placing.berth.begins - placing.calendar.ends(one) < EVENT_AFTER_HOURS * 3600
              end
          if event
            "Nothing strenuous in the #{EVENT_AFTER_HOURS} hours after #{event.in_words}. Open from " \
            "#{Words.date(event.date + EVENT_AFTER_DAYS)} on."
          end
        end
    end
  end
end
