# frozen_string_literal: true

module Windlass
  module Presenters
    # The forecast held against the log: all athletes, by family, before and after anything was learned of them.
    class ForecastErrorsPage
      # One side of a row: x of the middle and of both ends of its interval, nil where there is too little.
      Mark = Value.define(:kind, :middle, :low, :high, :words)
      Row = Value.define(:name, :y, :marks, :words)

      WIDTH = 800
      LEFT = 250
      RIGHT = 740
      ROW = 44
      TOP = 30

      TITLES = {urge: "First urges", low: "Oximeter lows"}.freeze
      # At least so far to either side.
      REACH = {urge: 10, low: 4}.freeze

      # Ends of an axis that divide well.
      ROUND = [4, 10, 20, 40, 60, 100].freeze

      attr_reader :kind

      # @param seen [Array<Queries::ForecastErrors::Seen>]
      # @param kind [Symbol] :urge or :low
      def initialize(seen, kind)
        @kind = kind
        @seen = seen.select { |one| one.kind == kind }
      end

      def title = TITLES.fetch(kind)

      def empty? = @seen.empty?

      # @return [Array<Row>] all together, then by family, those with the most sessions first
      def rows
        @rows ||=
          [["All families", @seen], *families].each_with_index.map do |(name, some), place|
            before, after = [false, true].map { |learned| some.select { |one| one.learned == learned } }
            Row.new(
              name: name, y: TOP + place * ROW, marks: [mark(:before, before), mark(:after, after)].compact,
              words: "Before: #{words(before)} After: #{words(after)}"
            )
          end
      end

      def height = TOP + rows.size * ROW + 34

      # @return [Array<Array(Float, String)>]
      def ticks
        [-reach, -reach / 2.0, 0, reach / 2.0, reach].map { |value| [scale.place(value), said.tick(value)] }
      end

      # @return [String] what is to be seen, in a sentence
      def in_words
        before, after = [false, true].map { |one| Trends::Centre.of(errors { |seen| seen.learned == one }) }
        return "Too little was marked to say how far off forecasts are." if after.nil?

        now = "After something was learned of an athlete the middle session lies #{said.off(after.median)}"
        return "#{now}; before, too little was marked to compare." if before.nil?

        "#{now}; before, #{said.off(before.median)}."
      end

      private

      def said = @said ||= ErrorWords.new(kind)

      def families =
        @seen
          .group_by { |one| Progression.activity(one.protocol).name }
          .sort_by { |name, some| [-some.size, name] }

      def errors(&) = @seen.select(&).map(&:error)

      def mark(which, some)
        found = Trends::Centre.of(some.map(&:error)) or return
        middle, low, high = [found.median, found.low, found.high].map { |one| scale.place(one) }
        Mark.new(kind: which, middle: middle, low: low, high: high, words: words(some))
      end

      # `3 s later, 95 % interval 1 s earlier to 6 s later; 24 sessions of 5 athletes.`
      def words(some)
        return "nothing marked." if some.empty?

        of = "#{Words.count(some.size, "session")} of #{Words.count(some.map(&:athlete_id).uniq.size, "athlete")}"
        found = Trends::Centre.of(some.map(&:error))
        return "#{of}, too few for an interval." if found.nil?

        "#{said.off(found.median)} (95 % interval: #{said.off(found.low)} to #{said.off(found.high)}), #{of}."
      end

      # Wide enough for every interval that is drawn.
      def reach =
        @reach ||=
          [["", @seen], *families]
            .flat_map { |_, some| some.group_by(&:learned).values }
            .filter_map { |some| Trends::Centre.of(some.map(&:error)) }
            .flat_map { |found| [found.low.abs, found.high.abs] }
            .push(REACH.fetch(kind))
            .max
            .then { |most| ROUND.find { |one| one >= most } || (most / 100).ceil * 100 }

      def scale = @scale ||= Scale.of([-reach, reach], [LEFT, RIGHT])
    end
  end
end
