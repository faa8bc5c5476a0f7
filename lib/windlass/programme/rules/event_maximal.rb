# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      EventMaximal =
        Rule.new("event.maximal", "a maximal test in the seven days before an event", "no test there",
          place: 40) do |placing|
          event = placing.training.test? && placing.calendar.eased_toward(placing.date)
          if event
            "No maximal test in the #{Calendar::EASING_DAYS} days before #{event.in_words}. Open from " \
            "#{Words.date(event.date + EVENT_AFTER_DAYS)} on."
          end
        end
    end
  end
end
