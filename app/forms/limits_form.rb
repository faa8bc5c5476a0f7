# frozen_string_literal: true

module Windlass
  module Forms
    # A coach's tighter limits of a ladder, and its switches. Nothing typed is no limit.
    class LimitsForm < Form
      # @param standing [Progression::Standing]
      # @param measures [Measures::Values]
      def self.parse(params, protocol:, measures:) = new(params, protocol, measures)

      # @return [LimitsForm] filled from a prescription
      def self.from(limits, protocol, measures)
        new({"limits" => limits.to_h { |key, value| [key.to_s, value.is_a?(Numeric) ? Words.number(value) : value.to_s] }}, protocol, measures)
      end

      def initialize(params, protocol, measures)
        @typed = params.slice("limits")
        @typed["limits"] = {} unless @typed["limits"].is_a?(Hash)
        @protocol = protocol
        @measures = measures
        @errors = {}
        @values = {limits: numbers.merge(switches)}
      end

      def limits = values[:limits]

      private

      def given = typed["limits"]

      def numbers
        @protocol.levers.each_with_object({}) do |lever, limits|
          text = given[lever.key.to_s].to_s.strip
          next if text.empty?

          value = TypedNumbers.read(text, Protocols::Parameter.new(key: lever.key, words: lever.words, unit: lever.unit))
          (fault = fault_of(lever, value)) ? @errors["limits[#{lever.key}]"] = fault : limits[lever.key] = value
        end
      end

      # Tighter than the trade's own, and not under the start: then nothing would be offered.
      def fault_of(lever, value)
        start = lever.value(@protocol.start(@measures))
        own = lever.limit_for(@measures, switches)
        from, to = [start, own].minmax
        return if value.is_a?(Numeric) && (from..to).cover?(value)

        "#{value} is not allowed; allowed: #{Words.number(from)} to #{Words.number(to)}"
      end

      def switches
        @protocol.levers.flat_map { |lever| lever.opens.keys }.select { |switch| given[switch.to_s] == "true" }.to_h { |switch| [switch, true] }
      end
    end
  end
end
