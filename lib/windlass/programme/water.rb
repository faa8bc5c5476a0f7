# frozen_string_literal: true

module Windlass
  module Programme
    # A day in the water; at_min nil where the hour is not known.
    Water = Value.define(:date, at_min: nil)
  end
end
