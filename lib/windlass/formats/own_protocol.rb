# frozen_string_literal: true

module Windlass
  module Formats
    module OwnProtocol
      FORMAT = "windlass own protocol 1"
    end
  end
end
