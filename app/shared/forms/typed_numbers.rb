# frozen_string_literal: true

module Windlass
  module Forms
    # Numbers of a dose as coaches type them.
    module TypedNumbers
      NUMBER = /\A-?\d+(?:[.,]\d+)?\z/
      CLOCK = /\A(\d{1,3}):([0-5]\d)\z/
      A_MINUTE = %r{\A(\d+(?:[.,]\d+)?)\s*(?:/\s*min|bpm)\z}
      # A count of so many seconds nobody means: these are beats, also without their unit.
      BEATS = (20..240)

      # @param text [String] `90`, `1:30`, `4,5`; for a count also `72/min` or `72`; for several numbers `4:16:8:0`
      # @param parameter [Protocols::Parameter]
      # @return [Numeric, Array, String] the text itself where it is no number
      def self.read(text, parameter)
        typed = text.strip
        return typed if parameter.choices
        return typed.split(/[\s:;]+/).map { |part| number(part) } if parameter.numbers

        clock(typed, parameter.unit) || per_minute(typed, parameter) || number(typed)
      end

      # @return [String] as it is typed: whole seconds as `1:30` from a minute on
      def self.show(value, parameter)
        return value.map { |one| Words.number(one) }.join(" : ") if parameter.numbers && value.is_a?(Array)
        return value.to_s unless value.is_a?(Numeric)

        (parameter.unit == :s && value >= 60 && value % 1 == 0) ? Words.clock(value) : exact(value)
      end

      def self.exact(value) = Numbers.plain(value.to_r.round(3)).to_s

      def self.number(text)
        text.match?(NUMBER) ? Numbers.plain(text.tr(",", ".").to_r) : text
      end

      def self.clock(text, unit)
        minutes, seconds = text.match(CLOCK)&.captures
        minutes.to_i * 60 + seconds.to_i if minutes && unit == :s
      end

      def self.per_minute(text, parameter)
        return unless parameter.unit == :count_s

        beats = text[A_MINUTE, 1]&.tr(",", ".")&.to_f
        beats ||= number(text).then { |plain| plain.to_f if plain.is_a?(Numeric) && BEATS.cover?(plain) }
        (60 / beats).round(3) if beats&.positive?
      end
      private_class_method :number, :clock, :per_minute, :exact
    end
  end
end
