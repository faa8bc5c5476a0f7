# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      # What is left open on the day before an event and on the day itself.
      QUIET_EVE = ->(columns, event) { (columns - ((event.kind == :concert) ? %i[voice] : [])).empty? }

      EventQuiet =
        Rule.new(
          "event.quiet",
          "it is the day before an event, or the day itself",
          "only quiet breathing, and before a concert voice",
          place: 20
        ) do |placing|
          event = placing.calendar.eves(placing.date).find { |one| !QUIET_EVE.call(placing.columns, one) }
          if event
            "Only quiet breathing#{" and voice" if event.kind == :concert} with #{event.in_words} so near. Open from " \
            "#{Words.date(event.date + 1)} on."
          end
        end
    end
  end
end
