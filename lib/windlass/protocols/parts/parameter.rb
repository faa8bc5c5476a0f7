# frozen_string_literal: true

module Windlass
  module Protocols
    # A number of a dose as a coach may set it by hand.
    Parameter =
      Value.define(
        :key, :words, :unit, :range, :step, :shapes, :choices, :names, :numbers, :optional, :usual, :folded, :telling,
        :unset
      ) do
        # @param key [Symbol] of the dose
        # @param unit [Symbol] :s, :min, :beats, :bpm, :breaths, :repetitions, :rounds, :counts, :count_s, ...
        # @param range [Range, nil] what is allowed
        # @param step [Numeric, nil] what one press of an arrow key adds
        # @param shapes [Symbol, nil] part of the session that it shapes: :hold, :rest, :breathing or :effort
        # @param choices [Hash{String => String}, nil] in place of a number: values and their words
        # @param names [Array<String>, nil] what each number from 0 on is called
        # @param numbers [Integer, nil] so many numbers in place of one
        # @param optional [Boolean] a dose may do without
        # @param usual [Object, nil] what it is where a dose does without
        # @param telling [String] how it is told among others: `rest of %s`
        # @param unset [String, nil] what it means where nothing is chosen
        # @param folded [Boolean] it stands under *More*: few change it, and no ladder moves it
        def initialize(
          key:,
          words:,
          unit: nil,
          range: nil,
          step: nil,
          shapes: nil,
          choices: nil,
          names: nil,
          numbers: nil,
          usual: nil,
          optional: !usual.nil?,
          folded: false,
          telling: "#{words} %s",
          unset: nil
        )
          super
        end

        # @return [Hash{Object => String}, nil] values and words, where there is something to choose from
        def options = choices || names&.each_with_index&.to_h { |words, number| [number, "#{number}: #{words}"] }

        # @return [String] a value of it: `1:30`, `4 : 16 : 8 : 0`, `both ways`
        def in_words(value)
          return options.fetch(value, value.to_s) if options
          return value.map { |one| Words.number(one) }.join(" : ") if value.is_a?(Array)

          return Words.hold(value) if unit == :s

          [Words.number(value), (value == 1) ? UNITS[unit]&.delete_suffix("s") : UNITS[unit]].compact.join(" ")
        end

        # @return [String] `rest of 3 breaths`
        def told(value) = format(telling, in_words(value))

        # @return [String] `10 to 300 s`, for faults and hints
        def allowed
          return choices.keys.join(", ") if choices

          span = "#{Words.number(range.begin)} to #{Words.number(range.end)}"
          numbers ? "#{numbers} numbers of #{span}" : [span, UNITS[unit]].compact.join(" ")
        end

        # @return [String, nil] what is wrong with a value
        def fault(value)
          "#{value.nil? ? "nothing" : Error.shown(value)} is not allowed; allowed: #{allowed}" unless allows?(value)
        end

        private

        def allows?(value)
          return choices.key?(value) if choices
          return number?(value) unless numbers

          value.is_a?(Array) && value.size == numbers && value.all? { |one| number?(one) } && value.any?(&:positive?)
        end

        def number?(value)
          value.is_a?(Numeric) && value.real? && range.cover?(value) && (!whole? || value % 1 == 0)
        end

        # Things that are counted come whole.
        def whole? = WHOLE.include?(unit)
      end
  end
end
