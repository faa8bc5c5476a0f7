# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      SlotMinutes =
        Rule.new(
          "slot.minutes",
          "the session, with those that share the slot, takes more than its minutes",
          "it is planned in another slot",
          place: 80, meets: %i[day plan]
        ) do |placing|
          slot = placing.berth.slot
          if placing.planned.in_slot_s > placing.room_s
            "#{Words.length(placing.planned.in_slot_s)} do not fit the #{Words.length([placing.room_s, 0].max)} left " \
            "of the #{slot.minutes} min at #{slot.at}."
          end
        end
    end
  end
end
