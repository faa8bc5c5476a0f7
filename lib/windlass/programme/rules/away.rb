# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      Away =
        Rule.new("day.away", "the day lies in an absence", "nothing is planned", place: 10) do |placing|
          away = placing.calendar.absences.find { |absence| absence.covers?(placing.date) }
          "Away. Open from #{Words.date(away.to + 1)} on." if away
        end
    end
  end
end
