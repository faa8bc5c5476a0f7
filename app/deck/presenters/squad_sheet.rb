# frozen_string_literal: true

module Windlass
  module Presenters
    # Several sessions before they begin together: all breath lines on one time axis, the first breaths on a common
    # rule.
    class SquadSheet
      Row = Value.define(:lane, :letter, :name, :session, :protocol, :length, :ends, :open)

      attr_reader :squad

      # @param squad [Records::Squad]
      # @param form [Forms::SquadForm, nil] as it was typed, with its faults
      def initialize(squad, form: nil)
        @squad = squad
        @form = form
      end

      def title = "Together: #{names.size} on one deck"

      def names = @names ||= sessions.map { |session| session.athlete.name }

      def form = @form ||= Forms::SquadForm.of(squad)

      def chart = @chart ||= SquadChart.new(line_up, sessions)

      # @return [Array<Row>]
      def rows
        @rows ||=
          sessions.map do |session|
            length = line_up.lanes[session.lane].seconds
            Row.new(
              lane: session.lane,
              letter: Windlass::Squad::LETTERS[session.lane],
              name: session.athlete.name,
              session: session.uuid,
              protocol: session.prescription.name,
              length: Words.clock(length),
              ends: Words.clock(session.starts_s + length),
              open: session.to_timeline.holds.any? { |place| place.segment.open? }
            )
          end
      end

      # @return [Array<String>] how long it takes, what falls together, whether it fits
      def findings = [length, *clashes, *overlaps, *fit].compact

      # @return [Boolean] its starts may still change
      def open? = !squad.begun?

      def over? = squad.over?

      private

      def sessions = @sessions ||= squad.sessions.to_a

      def line_up = @line_up ||= squad.to_line_up

      def length
        return "Each starts when they say." if squad.on_the_word

        "All are done after #{Words.clock(line_up.ends_s)}."
      end

      def clashes
        found = line_up.collisions
        return [] if squad.on_the_word
        return ["No two first breaths come less than #{squad.gap_s} s apart."] if found.zero?

        [
          "#{Words.count(found, "pair")} of first breaths #{(found == 1) ? "comes" : "come"} less than " \
          "#{squad.gap_s} s apart."
        ]
      end

      def overlaps
        return [] if squad.on_the_word || line_up.pairs.empty?

        together = line_up.overlaps
        return ["Who watches never holds meanwhile."] if together.empty?

        together.map do |overlap|
          "#{overlap.lanes.map { |lane| names[lane] }.join(" and ")} hold together for #{overlap.seconds.ceil} s: " \
          "somebody else watches then."
        end
      end

      def fit
        return [] if squad.minutes.nil? || squad.on_the_word

        over = line_up.ends_s - squad.minutes * 60
        return ["It fits the #{squad.minutes} min, with #{Words.clock(-over)} to spare."] if over <= 0

        late = line_up.too_late(squad.minutes).map { |lane, holds| "#{names[lane]} #{Words.count(holds, "hold")}" }
        [
          "It takes #{Words.clock(over)} longer than the #{squad.minutes} min there " \
          "are#{late.any? ? "; too late would be: #{Words.list(late)}" : ", the last of it without holds"}."
        ]
      end
    end

    # The drawing of it.
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
