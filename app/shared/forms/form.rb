# frozen_string_literal: true

require "dry/validation"
require "uri"

module Windlass
  module Forms
    # Parameters become typed values once. `typed` keeps what came, so that a form with errors shows it again.
    class Form
      attr_reader :values, :errors, :typed

      # @param params [Hash] as they came
      # @param shown [Hash{String => Array(String, Object)}] what stood in a field of what is corrected, and what it
      #   stands for: it shows tenths of what may be known to thousandths, and what comes back as it stood was left
      #   alone
      # @param context [Hash] what a contract has to know besides, such as today's date
      # @return [Form]
      def self.parse(params, shown: {}, **context) = new(params, self::RULES.new(**context), shown: shown)

      # @return [Form] nothing typed yet
      def self.blank(typed = {}) = new(typed.transform_keys(&:to_s), nil)

      def initialize(params, contract, shown: {})
        @typed = params.to_h
        result =
          contract&.call(
            @typed.to_h { |field, text| [field, (shown.dig(field, 0) == text) ? shown.dig(field, 1) || text : text] }
          )
        @values = result.to_h
        @errors = result ? flat(result.errors.to_h) : {}
      end

      def valid? = errors.empty?

      # @return [String] all faults in one sentence, where there is no field to stand beside
      def in_short = errors.map { |field, fault| "#{field}: #{fault}" }.join("; ")

      # @param name [String, Symbol] as the field is called in the page: `name`, `a[hold_s]`
      # @return [String, nil] what is wrong with it
      def fault(name) = errors[name.to_s]

      # @return [String] what was typed, where it is text
      def text_at(name) = typed_at(name).then { |value| value.is_a?(String) ? value : "" }

      # @return [Array<String>] what was chosen, where it is a list of texts
      def list_at(name) = typed_at(name).then { |value| value.is_a?(Array) ? value.grep(String) : [] }

      # @return [Object, nil] what was typed into it
      def typed_at(name)
        name.to_s.delete("]").split("[").reduce(typed) { |inner, key| inner.is_a?(Hash) ? inner[key] : nil }
      end

      private

      # Errors by the names of fields.
      def flat(messages, prefix = nil)
        messages.each_with_object({}) do |(key, inner), errors|
          name = prefix ? "#{prefix}[#{key}]" : key.to_s
          inner.is_a?(Hash) ? errors.merge!(flat(inner, name)) : errors[name] = inner.join("; ")
        end
      end
    end
  end
end
