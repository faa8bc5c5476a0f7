# frozen_string_literal: true

module Windlass
  module Timeline
    # The spirogram that a timeline asks for: corner points of the lungs' volume, before the gas model shrinks holds and
    # deepens breaths. Draws the ink line where there is no forecast, and the small one where there is no room for it.
    module VolumeTrace
      # A natural breath at rest, litres.
      TIDAL_L = 0.5

      # @param compiled [Compiled]
      # @param body [Physiology::Body] for the levels
      # @return [Array<Array(Float, Float)>] seconds, litres
      def self.points(compiled, body)
        volume = body.frc_l
        compiled
          .placed
          .each_with_object([[0.0, volume]]) do |place, points|
            points.concat(corners(place, volume, body))
            volume = points.last[1]
          end
      end

      def self.corners(place, volume, body)
        segment = place.segment
        at = place.start_ms / 1000.0
        finish = place.end_ms / 1000.0
        case segment.kind
        when :hold
          [[finish, volume]]
        when :breathe
          waves(at, finish, segment.rate, body.frc_l)
        else
          [[finish, body.level_l(segment.level)]]
        end
      end

      def self.waves(from, to, rate, passive)
        breaths = [((to - from) * rate / 60.0 + 0.5).floor, 1].max
        cycle = (to - from) / breaths
        Array
          .new(breaths) do |index|
            start = from + index * cycle
            [[start + 0.4 * cycle, passive + TIDAL_L], [start + cycle, passive]]
          end
          .flatten(1)
      end
      private_class_method :corners, :waves
    end
  end
end
