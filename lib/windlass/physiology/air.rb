# frozen_string_literal: true

module Windlass
  module Physiology
    # A gas that is breathed in, as shares of one litre of dry gas. A bare Struct: one is made with every breath.
    Air = Struct.new(:o2, :co2, :n2)
  end
end
