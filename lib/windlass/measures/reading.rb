# frozen_string_literal: true

module Windlass
  module Measures
    Reading = Value.define(:headline, :sentences)
  end
end
