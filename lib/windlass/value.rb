# frozen_string_literal: true

module Windlass
  # Frozen results with named members, as Ruby 3.2's Data gives them. On Ruby 3.1 a keyword Struct without setters
  # does it; the gem that fills the gap stores members in a Hash and is too slow for the gas model.
  #
  #   Point = Value.define(:x, :y) do
  #     def length = Math.hypot(x, y)
  #   end
  module Value
    # Words of the language: no local variable can have such a name.
    RESERVED = %i[alias and begin break case class def do else elsif end ensure false for if in module next nil not or redo rescue retry return self super then true undef unless until when while yield].freeze

    # @param members [Array<Symbol>]
    # @yield class body; an `initialize` with defaults there may call `super`
    # @return [Class]
    def self.define(*members, &body)
      base = Struct.new(*members) do
        members.each { |member| undef_method(:"#{member}=") }
        # Keywords that are written out cost no Hash: there are thousands of these in every forecast.
        class_eval(Value.constructor(members), __FILE__, __LINE__)
        class_eval(Value.changed(members), __FILE__, __LINE__)
      end
      Class.new(base, &body)
    end

    # @return [String] source of `with`, which gives a copy with some members changed
    def self.changed(members)
      values = members.map { |member| "#{member}: changes.fetch(:#{member}) { self[:#{member}] }" }
      "def with(**changes)\nunknown = changes.keys - members\nraise ArgumentError, \"unknown keywords: \#{unknown.inspect}\" if unknown.any?\nself.class.new(#{values.join(", ")})\nend"
    end

    # @return [String] source of `initialize`
    def self.constructor(members)
      plain, reserved = members.partition { |member| !RESERVED.include?(member) }
      keywords = plain.map { |member| "#{member}:" } + (reserved.empty? ? [] : ["**others"])
      values = members.map { |member| reserved.include?(member) ? "others.fetch(:#{member}) { raise ArgumentError, 'missing keyword: :#{member}' }" : member }
      check = "raise ArgumentError, \"unknown keywords: \#{(others.keys - #{reserved}).inspect}\" if others.size > #{reserved.size}" unless reserved.empty?
      "def initialize(#{keywords.join(", ")})\n#{check}\nsuper(#{values.join(", ")})\nfreeze\nend"
    end
  end
end
