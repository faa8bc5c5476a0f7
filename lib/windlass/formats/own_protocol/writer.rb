# frozen_string_literal: true

module Windlass
  module Formats
    module OwnProtocol
      # A {Given} in, YAML text out, which reads back to the same thing.
      module Writer
        # @return [String]
        def self.write(given)
          YAML.dump(
            {
              "format" => FORMAT,
              "name" => given.name,
              "protocol" => given.protocol.id,
              "dose" => plain(given.dose.except(:breaks).compact),
              "breaks" => plain(given.dose[:breaks]),
              "note" => (given.note unless given.note.empty?)
            }.compact
          )
        end

        def self.plain(value)
          case value
          when Hash
            value.to_h { |key, inner| [key.to_s, plain(inner)] }
          when Array
            value.map { |inner| plain(inner) }
          when Rational
            Numbers.plain(value)
          else
            value
          end
        end
        private_class_method :plain
      end
    end
  end
end
