# frozen_string_literal: true

module Windlass
  module Presenters
    # An error of a forecast in words: so many seconds later, so many points lower.
    class ErrorWords
      UNITS = {urge: "s", low: "points"}.freeze
      MORE = {urge: "later", low: "higher"}.freeze
      LESS = {urge: "earlier", low: "lower"}.freeze

      # @param kind [Symbol] :urge or :low
      def initialize(kind)
        @kind = kind
      end

      # @return [String] `3 s later`
      def off(error)
        rounded = (@kind == :urge) ? error.round : error.round(1)
        return "as forecast" if rounded.zero?

        "#{Words.number(rounded.abs)} #{UNITS.fetch(@kind)} #{((rounded > 0) ? MORE : LESS).fetch(@kind)}"
      end

      # @return [String] `+5 s`
      def tick(value)
        return "as forecast" if value.zero?

        "#{(value > 0) ? "+" : "−"}#{Words.number(value.abs.round(1))} #{UNITS.fetch(@kind)}"
      end
    end
  end
end
