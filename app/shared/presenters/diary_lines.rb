# frozen_string_literal: true

module Windlass
  module Presenters
    # Lines of the diary on a chart: hours slept as a bar, how somebody felt as a number above it.
    module DiaryLines
      # Hours of sleep stand on the axis, so many places an hour.
      HOUR = 3

      Line = Value.define(:x, :height, :feeling, :words)

      # @param days [Array<#local_date, #feeling, #slept_h>]
      # @yieldparam date [Date]
      # @yieldreturn [Float] its place
      # @return [Array<Line>]
      def self.of(days, &place)
        days.map do |day|
          Line.new(
            x: place.call(day.local_date),
            height: day.slept_h.to_f * HOUR,
            feeling: day.feeling,
            words: [
              day.local_date.strftime("%-d %b"),
              Records::Day::FEELINGS[day.feeling],
              ("slept #{Words.number(day.slept_h)} h" if day.slept_h)
            ].compact.join(", ")
          )
        end
      end
    end
  end
end
