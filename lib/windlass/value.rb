# frozen_string_literal: true

module Windlass
  # Frozen results with named members, as Ruby 3.2's Data gives them. On Ruby 3.1 a keyword Struct without setters
  # does it; the gem that fills the gap stores members in a Hash and is too slow for the gas model.
  #
  #   Point = Value.define(:x, :y, z: 0) do
  #     def length = Math.hypot(x, y, z)
  #   end
  module Value
    # Words of the language: no local variable can have such a name.
    RESERVED = %i[
      alias and begin break case class def do else elsif end ensure false for if in module next nil not or redo rescue
      retry return self super then true undef unless until when while yield
    ].freeze

    PLAIN = [NilClass, TrueClass, FalseClass, Integer, Symbol].freeze

    class << self
      # @param members [Array<Symbol>]
      # @param defaults [Hash{Symbol => Object}] further members, and what they are where nothing is said
      # @yield class body; what one member is by another, an `initialize` there may say, and call `super`
      # @return [Class]
      def define(*members, **defaults, &body)
        all = [*members, *defaults.keys]
        base = Struct.new(*all) { all.each { |member| undef_method(:"#{member}=") } }
        base.const_set(:DEFAULTS, defaults.each_value(&:freeze).freeze)
        # Keywords that are written out cost no Hash: there are thousands of these in every forecast.
        base.class_eval(constructor(all, defaults), __FILE__, __LINE__)
        Class
          .new(base, &body)
          .tap { |value| base.include((value.instance_method(:initialize).owner == base) ? Copied : Built) }
      end

      private

      # @return [String] source of `initialize`
      def constructor(members, defaults)
        plain, reserved = members.partition { |member| !RESERVED.include?(member) }
        keywords =
          plain.map { |member| defaults.key?(member) ? "#{member}: #{unsaid(member, defaults)}" : "#{member}:" } +
          (reserved.empty? ? [] : ["**others"])
        values =
          members.map do |member|
            reserved.include?(member) ? "others.fetch(:#{member}) { #{unsaid(member, defaults)} }" : member
          end
        unless reserved.empty?
          check =
            "raise ArgumentError, \"unknown keywords: \#{(others.keys - #{reserved}).inspect}\" if others.size > " \
            "#{reserved.size}"
        end
        "def initialize(#{keywords.join(", ")})\n#{check}\nsuper(#{values.join(", ")})\nfreeze\nend"
      end

      # @return [String] source of what a member is of which nothing is said; a plain one costs nothing where it is
      #   written out
      def unsaid(member, defaults)
        return "raise ArgumentError, 'missing keyword: :#{member}'" unless defaults.key?(member)

        PLAIN.include?(defaults[member].class) ? defaults[member].inspect : "DEFAULTS[:#{member}]"
      end
    end

    # Of what is nothing but its members.
    module Copied
      # @return [Value] a copy with some members changed
      def with(**changes)
        copy = dup
        changes.each { |member, value| copy[member] = value }
        copy.freeze
      rescue NameError
        raise ArgumentError, "unknown keywords: #{(changes.keys - members).inspect}"
      end
    end

    # Of what works something out when it is made.
    module Built
      # @return [Value] one like it with some members changed
      def with(**changes)
        unknown = changes.keys - members
        raise ArgumentError, "unknown keywords: #{unknown.inspect}" if unknown.any?

        self.class.new(**to_h, **changes)
      end
    end
  end
end
