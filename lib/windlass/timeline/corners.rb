# frozen_string_literal: true

module Windlass
  module Timeline
    # The few points of a simulated trace that a pen needs: where segments meet, and where a breath turns.
    module Corners
      # @param compiled [Compiled]
      # @param trace [Physiology::Trace] of the same timeline
      # @return [Array<Array(Float, Float)>] seconds, litres
      def self.points(compiled, trace)
        meetings = [0.0, *compiled.placed.map { |place| place.end_ms / 1000.0 }]
        turns = trace.points.each_cons(3).filter_map { |before, point, after| point.t if turn?(before, point, after) }
        (meetings + turns).uniq { |t| t.round(2) }.sort.map { |t| [t, trace.at(t).volume] }
      end

      def self.turn?(before, point, after)
        (point.volume - before.volume) * (after.volume - point.volume) < 0
      end
      private_class_method :turn?
    end
  end
end
