# frozen_string_literal: true

module Windlass
  module Physiology
    # The lungs at the end of a session.
    EndState = Value.define(:po2, :pco2, :sao2)
  end
end
