# frozen_string_literal: true

module Windlass
  module Formats
    module OwnProtocol
      # @see Reader, Writer
      Given = Value.define(:name, :protocol, :dose, :note)
    end
  end
end
