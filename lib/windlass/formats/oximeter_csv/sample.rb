# frozen_string_literal: true

module Windlass
  module Formats
    module OximeterCsv
      Sample = Value.define(:t, :saturation, :pulse)
    end
  end
end
