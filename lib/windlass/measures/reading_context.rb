# frozen_string_literal: true

module Windlass
  module Measures
    # What has to be known to read a measure. earlier: of the same kind, in order of time.
    ReadingContext = Value.define(earlier: [], maximal_hold_s: nil, disciplines: [])
  end
end
