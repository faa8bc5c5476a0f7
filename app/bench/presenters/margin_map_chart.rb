# frozen_string_literal: true

module Windlass
  module Presenters
    # The map of deep breaths against the length of the hold: where the urge comes in time and where it does not.
    class MarginMapChart
      WIDTH = 900
      HEIGHT = 330
      LEFT = 64
      RIGHT = 850
      TOP = 12
      BOTTOM = 280

      Cell = Value.define(:x, :y, :width, :height, :state, :words, :row, :column)

      WORDS = {
        before: "neither urge nor floor yet",
        warned: "the urge has come, oxygen is there",
        past: "past the floor, after the urge",
        blind: "past the floor, and no urge before it"
      }.freeze

      # @param columns [Array<Physiology::MarginMap::Column>]
      # @param recipe [Physiology::Recipe] whose place is marked
      def initialize(columns, recipe)
        @columns = columns
        @recipe = recipe
        @holds = Physiology::MarginMap::HOLDS_S
        @width = ((RIGHT - LEFT) / columns.size.to_f).round(2)
        @height = ((BOTTOM - TOP) / @holds.size.to_f).round(2)
      end

      # @return [Array<Array<Cell>>] rows from the shortest hold, at the bottom, up
      def rows
        @holds.each_with_index.map do |hold_s, row|
          @columns.each_with_index.map { |column, index| cell(column, hold_s, row, index) }
        end
      end

      def urge_path = path(&:urge_s)

      def floor_path = path(&:floor_s)

      def breath_ticks = @columns.each_with_index.map { |column, index| [middle_x(index), column.breaths] }

      def hold_ticks =
        @holds
          .select { |hold_s| (hold_s % 60).zero? }
          .map { |hold_s| [y_of(hold_s), Words.clock(hold_s)] }

      # @return [Array(Float, Float), nil] where this recipe stands
      def here
        return if @recipe.deep_breaths > @columns.last.breaths
        share = @recipe.deep_breaths / @columns.last.breaths.to_f
        [
          (middle_x(0) + share * (middle_x(@columns.size - 1) - middle_x(0))).round(1),
          y_of(@recipe.hold_s).clamp(TOP, BOTTOM)
        ]
      end

      # @return [Array<Array<String>>] the numbers of the map, a row a number of breaths
      def table
        @columns.map do |column|
          [
            column.breaths.to_s,
            seconds(column.urge_s),
            seconds(column.floor_s),
            column.margin_s ? "#{column.margin}, #{format("%+d", column.margin_s.round)} s" : "–"
          ]
        end
      end

      def description
        inverted = @columns.find { |column| column.margin == :inverted }
        return "The urge comes before the floor for every number of breaths shown." unless inverted

        "From about #{inverted.breaths} deep breaths on the oxygen is low before the urge comes."
      end

      private

      def cell(column, hold_s, row, index)
        state = Physiology::MarginMap.state(column, hold_s)
        Cell.new(
          x: (LEFT + index * @width).round(1),
          y: (BOTTOM - (row + 1) * @height).round(1),
          width: @width,
          height: @height,
          state: state,
          row: row,
          column: index,
          words: words(column, hold_s, state)
        )
      end

      def words(column, hold_s, state)
        "#{Words.count(column.breaths, "deep breath")}, #{Words.clock(hold_s)} held: #{WORDS.fetch(state)}. " \
          "Urge #{seconds(column.urge_s)}, floor #{seconds(column.floor_s)}" \
          "#{", margin #{format("%+d", column.margin_s.round)} s" if column.margin_s}."
      end

      def seconds(seconds) = seconds ? Words.seconds(seconds.round) : "not reached"

      def middle_x(index) = (LEFT + (index + 0.5) * @width).round(1)

      # Rows stand for the end of their fifteen seconds.
      def y_of(seconds) = (BOTTOM - seconds / 15.0 * @height).round(1)

      def path
        places =
          @columns.each_with_index.filter_map do |column, index|
            seconds = yield(column)
            "#{middle_x(index)} #{y_of(seconds).clamp(TOP, BOTTOM)}" if seconds
          end
        places.empty? ? nil : "M#{places.join("L")}"
      end
    end
  end
end
