# frozen_string_literal: true

module Windlass
  module Programme
    # Days on which nobody trains, both included.
    Absence = Value.define(:from, :to) { def covers?(date) = (from..to).cover?(date) }
  end
end
