# frozen_string_literal: true

module Windlass
  module Forms
    # A coach's tighter limits of a ladder, and its switches. Nothing typed is no limit.
    class LimitsForm < Form
      # @param protocol [Protocols::Protocol]
      # @param start [Hash, nil] the dose that the ladder begins from, where it is not the protocol's own
      # @param switches [Hash] of the athlete
      def self.parse(params, protocol:, measures:, start: nil, switches: {}) =
        new(params, protocol, measures, start, switches)

      # @return [LimitsForm] filled from a prescription
      def self.from(limits, protocol, measures)
        new({"limits" => limits.to_h { |key, value| [key.to_s, Words.exact(value)] }}, protocol, measures, nil, {})
      end

      def initialize(params, protocol, measures, start, switches)
        @typed = params.slice("limits")
        @typed["limits"] = {} unless @typed["limits"].is_a?(Hash)
        @protocol = protocol
        @measures = measures
        @start = start || protocol.start(measures)
        @switches = switches
        @errors = {}
        @values = {limits: @start ? numbers : {}}
      end

      def limits = values[:limits]

      private

      def given = typed["limits"]

      def numbers
        @protocol
          .levers
          .each_with_object({}) do |lever, limits|
            text = given[lever.key.to_s].to_s.strip
            next if text.empty?

            value =
              TypedNumbers.read(text, Protocols::Parameter.new(key: lever.key, words: lever.words, unit: lever.unit))
            (fault = fault_of(lever, value)) ? @errors["limits[#{lever.key}]"] = fault : limits[lever.key] = value
          end
      end

      # Tighter than the trade's own, and not under the start: then nothing would be offered.
      def fault_of(lever, value)
        start = lever.value(@start)
        own = lever.limit_for(@measures, @switches, dose: @start)
        from, to = [start, own].minmax
        return if value.is_a?(Numeric) && (from..to).cover?(value)

        "#{value} is not allowed; allowed: #{Words.number(from)} to #{Words.number(to)}"
      end
    end
  end
end
