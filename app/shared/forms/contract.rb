# frozen_string_literal: true

require "dry/validation"

module Windlass
  module Forms
    # What all contracts share: errors that name the value and what is allowed.
    class Contract < Dry::Validation::Contract
      config.messages.load_paths << File.expand_path("messages.yml", __dir__)
      config.messages.default_locale = :en

      register_macro(:within) do |macro:|
        fault = key? && value && outside(value, macro.args.first)
        key.failure(fault) if fault
      end

      # A day up to today, at most so many days back.
      register_macro(:lately) do |macro:|
        fault = key? && value && outside(value, (today - macro.args.first)..today)
        key.failure(fault) if fault
      end

      register_macro(:at_most_characters) do |macro:|
        most = macro.args.first
        key.failure("#{value.length} characters are too many; allowed: #{most}") if key? && value && value.length > most
      end

      # @param range [Range] of numbers or days
      # @return [String, nil] what is wrong, if anything
      def outside(value, range)
        shown = value.is_a?(Numeric) ? Words.number(value) : value
        "#{shown} is not allowed; allowed: #{range.begin} to #{range.end}" unless range.cover?(value)
      end
    end
  end
end
