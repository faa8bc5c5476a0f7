# frozen_string_literal: true

module Windlass
  module Programme
    AwayRule = Rule.new("day.away", "the day lies in an absence", "nothing is planned") do |placing|
      "Away on #{Words.date(placing.date)}." if placing.calendar.away?(placing.date)
    end
  end
end
