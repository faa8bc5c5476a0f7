# frozen_string_literal: true

module Windlass
  module Programme
    # Where a session was, or is wanted by a coach: it stays there if it may. rung: that it was planned at; nil where
    # nobody said.
    Wish = Value.define(:key, :date, :at_min, rung: nil)
  end
end
