# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # The signature drawing: planned lung volume over time as one ink line, holds tinted with their length above, and,
    # where the model speaks, two strips for carbon dioxide and oxygen under it. Answers places and words, no markup.
    class BreathLine
      extend Forwardable

      WIDTH = 1180
      LEFT = 64
      RIGHT = 1116
      LABELS_Y = 20
      INK = [40, 180].freeze
      STRIPS_Y = [204, 296].freeze
      LABEL_ROOM = 34

      # A hold on the drawing.
      Hold = Value.define(:number, :x, :width, :label, :label_x)

      attr_reader :title

      # @param timeline [Timeline::Compiled]
      # @param body [Physiology::Body]
      # @param title [String]
      # @param forecast [Physiology::Forecast, nil] with a trace
      # @param rounds [Enumerable<#number, #held_ms, #first_urge_ms, #first_breath>] of a done session
      def initialize(timeline, body, title:, forecast: nil, rounds: [])
        @timeline = timeline
        @body = body
        @title = title
        @forecast = forecast
        @rounds = rounds
        @points =
          forecast ? Timeline::Corners.points(timeline, forecast.trace) : Timeline::VolumeTrace.points(timeline, body)
        @x = Scale.of([0, end_s], [LEFT, RIGHT])
        @y = Scale.of(volumes, INK.reverse)
      end

      def_delegators :over_it, :brackets, :marks

      def end_s = @timeline.total_ms / 1000.0

      def height = (strips ? STRIPS_Y.last : INK.last) + 34

      def hold_height = (strips ? STRIPS_Y.last : INK.last) - INK.first + 8

      def axis_y = (strips ? STRIPS_Y.last : INK.last) + 10

      # One path; breaths are drawn round, as lungs move.
      def ink
        InkPath.of(@points.map { |t, litres| [@x.place(t), @y.place(litres)] })
      end

      def holds
        last_label = -LABEL_ROOM
        @timeline.holds.map do |place|
          x = @x.place(place.start_ms / 1000.0)
          width = (@x.place(place.end_ms / 1000.0) - x).round(1)
          middle = (x + width / 2).round(1)
          label = hold_label(place.segment) if middle - last_label >= LABEL_ROOM
          last_label = middle if label
          Hold.new(number: place.number, x: x, width: width, label: label, label_x: middle)
        end
      end

      # @return [Array<Array(String, Float)>] names of the levels that the line comes near, and their places
      def levels
        near = [:passive, *Physiology::Levels::ALL].uniq.select { |name| (@y.from..@y.to).cover?(@body.level_l(name)) }
        near.map { |name| [name.to_s, @y.place(@body.level_l(name))] }
      end

      def passive_y = @y.place(@body.frc_l)

      def time_ticks
        Ticks.of(end_s, Ticks::TIME_STEPS_S, 14).map { |t| [@x.place(t), Words.clock(t)] }
      end

      # @return [GasStrips, nil]
      def strips
        return unless @forecast

        @strips ||= GasStrips.new(@forecast.trace, @x, STRIPS_Y, threshold: @forecast.threshold, floor: @forecast.floor)
      end

      # What a reader hears in place of the drawing.
      def description
        lengths = @timeline.holds.map { |place| hold_label(place.segment) }.tally
        holds = lengths.map { |length, count| (count == 1) ? "one hold of #{length}" : "#{count} holds of #{length}" }
        "#{Words.length(end_s)} in all: #{holds.empty? ? "no holds" : Words.list(holds)}. The numbers stand in the " \
        "table."
      end

      private

      def over_it = @over_it ||= BreathLineMarks.new(@timeline, @x, forecast: @forecast, rounds: @rounds)

      # A little more than the line needs, and never so little that a quiet breath looks like a deep one.
      def volumes
        litres = @points.map(&:last)
        top = [litres.max, @body.frc_l + 0.3 * @body.inspiratory_capacity_l].max
        low = [litres.min, @body.frc_l].min
        [low - 0.12 * (top - low), top]
      end

      def hold_label(segment)
        seconds = segment.seconds
        (seconds < 60) ? Words.seconds(seconds) : Words.clock(seconds)
      end
    end
  end
end
