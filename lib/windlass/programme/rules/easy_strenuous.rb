# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      EasyStrenuous =
        Rule.new(
          "easy.strenuous",
          "the week is an easy one, and the session is strenuous or a maximal test",
          "not in that week",
          place: 60
        ) do |placing|
          if placing.calendar.easy?(placing.week) && placing.activity.strenuous?
            "An easy week: nothing strenuous, no maximal test. Open from " \
            "#{Words.date(placing.calendar.days(placing.week).last + 1)} on."
          end
        end
    end
  end
end
