# frozen_string_literal: true

module Windlass
  module Protocols
    # Something that is to be minded about a dose, beside the number that causes it.
    # level: :danger, :care or :note.
    Finding = Value.define(:key, :level, :text)
  end
end
