# frozen_string_literal: true

module Windlass
  module Log
    # A word of a note: as it is read (small letters), as it was written, and its column from 1.
    Word = Value.define(:text, :written, :column)
  end
end
