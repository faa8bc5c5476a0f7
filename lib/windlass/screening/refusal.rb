# frozen_string_literal: true

module Windlass
  module Screening
    # Why not, whatever the conditions are, and what lifts it.
    Refusal = Value.define(:state, :text, :lifts)
  end
end
