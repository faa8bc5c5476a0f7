# frozen_string_literal: true

module Windlass
  module Programme
    # What is left open on the day before an event and on the day itself.
    QUIET_EVE = ->(training, event) { training.activity.column.nil? || (event.kind == :concert && training.activity.column == :voice) }

    EventQuietRule = Rule.new("event.quiet", "it is the day before an event, or the day itself", "only quiet breathing, and before a concert voice") do |placing|
      event = placing.calendar.eves(placing.date).find { |one| !QUIET_EVE.call(placing.training, one) }
      "Only quiet breathing#{" and voice" if event.kind == :concert} with #{event.in_words} so near. Open from #{Words.date(event.date + 1)} on." if event
    end
  end
end
