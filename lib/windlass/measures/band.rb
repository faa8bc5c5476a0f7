# frozen_string_literal: true

module Windlass
  module Measures
    Band = Value.define(:id, :below_s, :words)
  end
end
