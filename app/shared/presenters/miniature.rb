# frozen_string_literal: true

module Windlass
  module Presenters
    # A breath line small enough for a row: the ink and the holds, no words.
    class Miniature
      WIDTH = 240
      HEIGHT = 44
      # Litres between the quiet breath and the top of the row.
      SPAN_L = 1.3

      Hold = Value.define(:x, :width)

      # What was drawn once is kept: a desk draws the same lines again and again.
      DRAWN = BoundedCache.new(1_000)

      # @return [Miniature] of a dose for a body
      def self.of(protocol, dose, body) =
        DRAWN.fetch([protocol.id, dose, body]) { new(protocol.compile(dose, body), body) }

      # @return [Miniature] of the plan of a session
      def self.of_plan(session) =
        DRAWN.fetch([session.timeline.digest, session.to_body]) { new(session.to_timeline, session.to_body) }

      # @return [String] an SVG path
      attr_reader :ink

      # @return [Array<Hold>]
      attr_reader :holds

      # Many are kept: of what it was drawn from nothing stays.
      # @param timeline [Timeline::Compiled]
      # @param body [Physiology::Body]
      def initialize(timeline, body)
        points = Timeline::VolumeTrace.points(timeline, body)
        low, high = points.map(&:last).minmax
        x = Scale.of([0, timeline.total_ms / 1000.0], [0, WIDTH])
        y = Scale.of([low, [high, low + SPAN_L].max], [HEIGHT - 6, 4])
        places = Pixels.shown(points.map { |t, litres| [x.place(t), y.place(litres)] })
        @ink = "M#{places.map { |place| place.join(" ") }.join("L")}"
        @holds =
          timeline.holds.map do |place|
            from, to = [place.start_ms, place.end_ms].map { |ms| x.place(ms / 1000.0) }
            Hold.new(x: from, width: (to - from).round(1))
          end
        freeze
      end
    end
  end
end
