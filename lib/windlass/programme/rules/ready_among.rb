# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      ReadyAmong =
        Rule.new(
          "ready.among",
          "readiness would refuse it after what lies before it, or refuse what comes after it",
          "not there; the rule of readiness is named",
          place: 120, meets: %i[plan]
        ) { |placing| placing.walls.among(placing) }
    end
  end
end
