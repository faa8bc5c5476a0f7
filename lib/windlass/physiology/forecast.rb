# frozen_string_literal: true

module Windlass
  module Physiology
    # What the model says of a whole session.
    Forecast = Value.define(:threshold, :floor, :holds, :end_state, :trace)
  end
end
