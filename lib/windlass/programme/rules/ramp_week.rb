# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      RampWeek =
        Rule.new(
          "ramp.week",
          "the week's hold seconds would pass 1.3 times the mean of up to four weeks before it, once two are known",
          "not in that week",
          place: 130, meets: %i[plan]
        ) do |placing|
          limit = placing.walls.limit_s(placing.week) or next
          held =
            placing.walls.held_s(placing.week) + placing.course.hold_seconds +
            placing.placed.sum { |one| one.course.hold_seconds }
          if held > limit
            "#{Words.length(held)} of holding would pass the week's line of #{Words.length(limit.floor)}, " \
            "#{Progression::Record::RAMP} times the weeks before. Another week may have room."
          end
        end
    end
  end
end
