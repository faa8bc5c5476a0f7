# frozen_string_literal: true

module Windlass
  module Physiology
    # How the first urge and the oxygen floor move with the number of deep breaths before a hold, and what a hold of
    # each length would mean: the urge in time, or too late to protect.
    module MarginMap
      BREATHS = (0..40).step(4).to_a.freeze
      HOLDS_S = (15..240).step(15).to_a.freeze

      # One number of breaths. Seconds from the hold's start, nil where not reached or not calibrated.
      Column = Value.define(:breaths, :urge_s, :floor_s, :margin_s, :margin)

      # @param model [Model]
      # @param recipe [Recipe] its own breaths and length aside
      # @return [Array<Column>]
      def self.columns(model, recipe)
        BREATHS.map do |breaths|
          hold = model.forecast(recipe.with(deep_breaths: breaths).compile(hold_s: 1).segments).holds.last
          Column.new(breaths: breaths, **hold.to_h.slice(:urge_s, :floor_s, :margin_s, :margin))
        end
      end

      # What a hold of this length is: :before both, :warned (the urge has come, oxygen is there), :past the floor after
      # an urge that came first, or :blind, past the floor with the urge still to come or later than it.
      # @return [Symbol]
      def self.state(column, hold_s)
        past = column.floor_s && hold_s >= column.floor_s
        felt = column.urge_s && hold_s >= column.urge_s
        return felt ? :warned : :before unless past

        (column.urge_s && column.urge_s <= column.floor_s) ? :past : :blind
      end
    end
  end
end
