# frozen_string_literal: true

module Windlass
  module Presenters
    # A recipe's track on the bench: how long it is held, where urge and floor stand in their order.
    module BenchTrack
      # A track's words stand behind it, or before it where there is no room.
      WORDS_ROOM = 110
      Track =
        Value.define(
          :name, :y, :held_width, :urge_x, :floor_x, :bar_x, :bar_width, :kind, :words, :words_x, :words_anchor,
          :danger_x, :danger_width
        )

      # @param one [Bench::Tried]
      # @param x [Scale] of seconds from the hold's start
      # @return [Track]
      def self.of(one, x, y)
        within = ->(t) { x.place(t).clamp(BenchChart::LEFT, BenchChart::RIGHT) }
        urge_x, floor_x = [one.hold.urge_s, one.hold.floor_s].map { |t| t && within[t] }
        danger_x = one.danger_s&.map { |t| x.place(t).clamp(BenchChart::LEFT, BenchChart::RIGHT) }
        bar = [urge_x, floor_x].compact.minmax
        last = [bar[1], danger_x&.last].compact.max || x.place(0)
        fits = last < BenchChart::RIGHT - WORDS_ROOM
        Track.new(
          name: one.name,
          y: y,
          held_width: (x.place(one.hold.seconds) - x.place(0)).round(1),
          urge_x: urge_x,
          floor_x: floor_x,
          bar_x: bar[0],
          bar_width: (urge_x && floor_x) ? (bar[1] - bar[0]).round(1) : 0,
          kind: one.hold.margin,
          words: words(one.hold),
          words_x: fits ? last + 14 : bar[0] - 14,
          words_anchor: fits ? "start" : "end",
          danger_x: danger_x&.first,
          danger_width: danger_x ? (danger_x[1] - danger_x[0]).round(1) : 0
        )
      end

      # @param hold [Physiology::HoldForecast]
      def self.words(hold)
        return "floor #{hold.floor_s ? Words.seconds(hold.floor_s.round) : "not reached"}" if hold.margin_s.nil?

        "#{hold.margin}, #{format("%+d", hold.margin_s.round)} s"
      end
    end
  end
end
