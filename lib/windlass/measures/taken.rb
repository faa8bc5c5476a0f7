# frozen_string_literal: true

module Windlass
  module Measures
    # A measure as it was taken. details: the other fields by key.
    Taken = Value.define(:value, :details, :taken_at)
  end
end
