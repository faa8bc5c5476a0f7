# frozen_string_literal: true

module Windlass
  module Presenters
    # A forecast in words and rows.
    module ForecastWords
      Row = Value.define(:number, :held, :urge, :floor, :margin, :lowest)

      # @param forecast [Physiology::Forecast]
      # @return [String]
      def self.of(forecast)
        holds = forecast.holds
        return "No holds, so nothing to forecast." if holds.empty?
        return "#{floor_words(holds)} Without a valid control pause the urge is not known." if forecast.threshold.nil?

        "#{urge_words(holds)} #{floor_words(holds)} #{margin_words(holds)}"
      end

      # @return [Array<Row>]
      def self.rows(forecast)
        forecast.holds.each_with_index.map do |hold, index|
          Row.new(
            number: index + 1,
            held: seconds(hold.seconds),
            urge: seconds(hold.urge_s),
            floor: seconds(hold.floor_s),
            margin: hold.margin_s ? "#{hold.margin}, #{format("%+d", hold.margin_s.round)} s" : "–",
            lowest: "#{(hold.sao2_min * 100).round} %"
          )
        end
      end

      # @return [String] `24 s`, or `–` where it is not reached
      def self.seconds(seconds) = seconds ? Words.seconds(seconds.round) : "–"

      def self.urge_words(holds)
        within = holds.count(&:urge_within?)
        return "Holds end before the urge (#{range(holds.filter_map(&:urge_s))})." if within.zero?

        "The urge is expected in #{(within == holds.size) ? "every hold" : "#{within} of #{holds.size} holds"}, " \
        "after #{range(holds.filter_map(&:urge_s))}."
      end

      def self.floor_words(holds)
        floors = holds.filter_map(&:floor_s)
        floors.empty? ? "The oxygen floor is not reached." : "Oxygen would reach the floor after #{range(floors)}."
      end

      def self.margin_words(holds)
        margins = holds.filter_map(&:margin).tally
        each = margins.map { |kind, count| [(count unless margins.size == 1), kind, MEANT[kind]].compact.join(" ") }
        "Margin: #{Words.list(each)}."
      end

      MEANT = {tight: "(oxygen gets low soon after the urge)", inverted: "(oxygen gets low before the urge)"}.freeze
      private_constant :MEANT

      def self.range(values)
        least, most = values.minmax.map(&:round)
        return Words.seconds(most) if least == most

        "#{(most < 60) ? least : Words.seconds(least)} to #{Words.seconds(most)}"
      end
      private_class_method :urge_words, :floor_words, :margin_words, :range
    end
  end
end
