# frozen_string_literal: true

module Windlass
  # Frozen results with named members, as Ruby 3.2's Data gives them. On Ruby 3.1 a keyword Struct without setters
  # does it; the gem that fills the gap stores members in a Hash and is too slow for the gas model.
  #
  #   Point = Value.define(:x, :y) do
  #     def length = Math.hypot(x, y)
  #   end
  module Value
    # @param members [Array<Symbol>]
    # @yield class body; an `initialize` with defaults there may call `super`
    # @return [Class]
    def self.define(*members, &body)
      base = Struct.new(*members, keyword_init: true) do
        members.each { |member| undef_method(:"#{member}=") }

        def initialize(**given)
          raise ArgumentError, "missing: #{(members - given.keys).join(", ")}" if given.size < size

          super
          freeze
        end

        # @return a copy with some members changed
        def with(**changes) = self.class.new(**to_h, **changes)
      end
      Class.new(base, &body)
    end
  end
end
