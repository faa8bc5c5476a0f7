# frozen_string_literal: true

module Windlass
  module Programme
    # A session that did not find a place, so many times in a week, and why.
    Unplaced = Value.define(:week, :training, :missing, :reasons)
  end
end
