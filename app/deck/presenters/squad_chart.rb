# frozen_string_literal: true

module Windlass
  module Presenters
    # Several sessions on one axis of time, first breaths on a common rule.
    class SquadChart
      WIDTH = 1180
      LEFT = 180
      RIGHT = 1160
      TOP = 40
      ROW = 44
      RULE_Y = 22

      Row = Value.define(:y, :name, :ink, :holds)
      Hold = Value.define(:x, :width)
      Tick = Value.define(:x, :clash)

      # @param line_up [Squad::LineUp]
      # @param sessions [Array<Records::Session>] in its order
      def initialize(line_up, sessions)
        @line_up = line_up
        @sessions = sessions
        @x = Scale.of([0, line_up.ends_s], [LEFT, RIGHT])
      end

      def height = TOP + ROW * @sessions.size + 26

      def axis_y = height - 22

      # @return [Array<Row>]
      def rows
        @sessions.each_with_index.map do |session, lane|
          start = @line_up.starts[lane]
          y = TOP + ROW * lane
          Row.new(
            y: y,
            name: "#{Windlass::Squad::LETTERS[lane]}  #{session.athlete.name}",
            ink: ink(session, start, y),
            holds: holds(lane, start)
          )
        end
      end

      # @return [Array<Tick>]
      def ticks = @line_up.first_breaths.map { |breath| Tick.new(x: @x.place(breath.at_s), clash: breath.clash) }

      def time_ticks = Ticks.of(@line_up.ends_s, Ticks::TIME_STEPS_S, 14).map { |t| [@x.place(t), Words.clock(t)] }

      # What a reader hears in place of the drawing.
      def description
        starts =
          @sessions.each_with_index.map do |session, lane|
            "#{session.athlete.name} from #{Words.clock(@line_up.starts[lane])}"
          end
        "#{Words.list(starts)}. The numbers stand in the table."
      end

      private

      def ink(session, start, y)
        points = Timeline::VolumeTrace.points(session.to_timeline, session.to_body)
        low, high = points.map(&:last).minmax
        scale = Scale.of([low, [high, low + Miniature::SPAN_L].max], [y + ROW - 8, y + 8])
        "M#{points.map { |t, litres| "#{@x.place(start + t)} #{scale.place(litres)}" }.join("L")}"
      end

      def holds(lane, start)
        @line_up.lanes[lane].holds.map do |from, length|
          x = @x.place(start + from)
          Hold.new(x: x, width: [(@x.place(start + from + length) - x).round(1), 1].max)
        end
      end
    end
  end
end
