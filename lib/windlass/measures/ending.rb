# frozen_string_literal: true

module Windlass
  module Measures
    # What ended it; only a bodily signal makes it a control pause.
    Ending = Value.define(:words, :bodily)
  end
end
