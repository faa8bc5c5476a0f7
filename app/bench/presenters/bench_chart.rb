# frozen_string_literal: true

module Windlass
  module Presenters
    # Two recipes laid over one another, both with the start of the hold at 0: lung volume, the two gases on their way
    # to the limit in the middle, and a track each on which urge and floor stand in their order.
    class BenchChart
      WIDTH = 900
      LEFT = 64
      RIGHT = 850
      INK = [24, 138].freeze
      GAS = [158, 258].freeze
      TRACKS_Y = 292
      TRACK_HEIGHT = 34
      # Time drawn beyond the last thing worth seeing. Seconds.
      AFTER_S = 14
      # Of the preparation so much is drawn. Seconds.
      BEFORE_S = 60

      # @param tried [Array<Bench::Tried>]
      # @param floor [Float]
      def initialize(tried, model, floor:)
        @tried = tried
        @body = model.body
        @floor = floor
        @x =
          Scale.of(
            [-BEFORE_S, [tried.flat_map { |one| landmarks(one) }.max + AFTER_S, Bench::MOST_S].min],
            [LEFT, RIGHT]
          )
        @ink = Scale.of([lowest - 0.1, highest + 0.1], INK.reverse)
      end

      def height = axis_y + 30

      def axis_y = TRACKS_Y + @tried.size * TRACK_HEIGHT + 4

      def start_x = @x.place(0)

      def passive_y = @ink.place(@body.frc_l)

      # @return [Array<Array(String, String)>] name of the recipe and its path
      def inks
        @tried.map do |one|
          points = Timeline::Corners.points(one.timeline, one.trace).map { |t, litres| [t - one.hold.start_s, litres] }
          shown =
            points.select { |t, _| t.between?(@x.from, @x.to) } << [
              @x.to,
              one.trace.at(one.hold.start_s + @x.to).volume
            ]
          [one.name, InkPath.of(shown.map { |t, litres| [@x.place(t), @ink.place(litres)] })]
        end
      end

      # @return [Array<Array(String, GasStrips)>]
      def gases
        @tried.map do |one|
          [
            one.name,
            GasStrips.new(one.trace, shifted(one), GAS, threshold: one.threshold, floor: @floor, within: LEFT..RIGHT)
          ]
        end
      end

      def tracks = @tried.each_with_index.map { |one, index| BenchTrack.of(one, @x, TRACKS_Y + index * TRACK_HEIGHT) }

      def time_ticks
        Ticks.of(@x.to, Ticks::TIME_STEPS_S, 12).map { |t| [@x.place(t), Words.clock(t)] }
      end

      def description
        @tried.map { |one| "#{one.name}: #{BenchTrack.words(one.hold)}." }.join(" ")
      end

      private

      def landmarks(one) = [one.hold.seconds, one.hold.urge_s, one.hold.floor_s, *one.danger_s].compact

      def shifted(one) = Scale.of([@x.from + one.hold.start_s, @x.to + one.hold.start_s], [LEFT, RIGHT])

      def drawn =
        @tried.flat_map do |one|
          one.trace.points.select { |point| (point.t - one.hold.start_s).between?(@x.from, @x.to) }
        end

      def lowest = [drawn.map(&:volume).min, @body.frc_l].min

      def highest = drawn.map(&:volume).max
    end
  end
end
