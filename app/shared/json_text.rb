# frozen_string_literal: true

require "json"

module Windlass
  # Values as JSON, the same text that `JSON.generate` writes. That asks each symbol for its own text, and takes five
  # times as long for what a deck gets.
  module JsonText
    CODER =
      JSON::Coder.new do |value|
        raise JSON::GeneratorError.new("#{value} is no number in JSON", value) if value.is_a?(Float)

        value.to_s
      end
    private_constant :CODER

    # @param value [Hash, Array, String, Symbol, Numeric, Boolean, nil] what is none of these stands as its `to_s`
    # @return [String]
    # @raise [JSON::GeneratorError] where a number is none
    def self.of(value) = CODER.dump(value)
  end
end
