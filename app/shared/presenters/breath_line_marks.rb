# frozen_string_literal: true

module Windlass
  module Presenters
    # What is drawn over a breath line: the margins that are forecast, and how each hold went.
    class BreathLineMarks
      # How a hold went, drawn over its plan.
      Mark = Value.define(:number, :x, :width, :urge_x, :breath, :breath_x)

      # The margin of a hold, from its first urge to the oxygen floor.
      Bracket = Value.define(:number, :urge_x, :floor_x, :kind, :words, :words_x)

      # @param timeline [Timeline::Compiled]
      # @param x [Scale] of seconds
      # @param forecast [Physiology::Forecast, nil]
      # @param rounds [Enumerable<#number, #held_ms, #first_urge_ms, #first_breath>] of a done session
      def initialize(timeline, x, forecast:, rounds:)
        @timeline = timeline
        @x = x
        @forecast = forecast
        @rounds = rounds
      end

      # From the first urge to the floor, on holds that reach the one or the other.
      # @return [Array<Bracket>]
      def brackets
        return [] unless @forecast

        @forecast.holds.each_with_index.filter_map do |hold, index|
          bracket(hold, index + 1) if hold.margin && (hold.urge_within? || hold.past_floor?)
        end
      end

      def marks
        held = @timeline.holds.to_h { |place| [place.number, place.start_ms / 1000.0] }
        @rounds
          .select { |round| held.key?(round.number) && round.held_ms }
          .map { |round| mark(round, held[round.number]) }
      end

      private

      def bracket(hold, number)
        places = [hold.urge_s, hold.floor_s].map { |t| @x.place(hold.start_s + t) }
        urge_x, floor_x = places.map { |x| x.clamp(BreathLine::LEFT, BreathLine::RIGHT) }
        Bracket.new(
          number: number,
          urge_x: urge_x,
          floor_x: floor_x,
          kind: hold.margin,
          words: "#{hold.margin} #{format("%+d", hold.margin_s.round)} s",
          words_x: ((urge_x + floor_x) / 2).round(1)
        )
      end

      def mark(round, start_s)
        x = @x.place(start_s)
        stop_x = @x.place(start_s + round.held_ms / 1000.0)
        Mark.new(
          number: round.number,
          x: x,
          width: (stop_x - x).round(1),
          breath: round.first_breath&.to_sym,
          breath_x: stop_x + 6,
          urge_x: round.first_urge_ms && @x.place(start_s + round.first_urge_ms / 1000.0)
        )
      end
    end
  end
end
