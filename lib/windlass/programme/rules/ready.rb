# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      # Readiness says why by rules of its own: they are asked, not copied.
      Ready =
        Rule.new(
          "ready.alone",
          "readiness would refuse it on that day, for what is known now",
          "not there; the rule of readiness is named",
          place: 90
        ) { |placing| placing.walls.alone(placing) }
    end
  end
end
