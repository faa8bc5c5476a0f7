# frozen_string_literal: true

module Windlass
  module Programme
    # Readiness says why by rules of its own: they are asked, not copied.
    ReadyRule =
      Rule.new(
        "ready.alone",
        "readiness would refuse it on that day, for what is known now",
        "not there; the rule of readiness is named"
      ) { |placing| placing.walls.alone(placing) }

    ReadyAmongRule =
      Rule.new(
        "ready.among",
        "readiness would refuse it after what lies before it, or refuse what comes after it",
        "not there; the rule of readiness is named"
      ) { |placing| placing.walls.among(placing) }
  end
end
