# frozen_string_literal: true

module Windlass
  module Forms
    # A dose of a family, number by number, with rounds that break its pattern. What is allowed the family itself says.
    class DoseForm < Form
      MOST_NAME = 80
      MOST_NOTE = 4000
      SECONDS = Protocols::Parameter.new(key: :seconds, words: "seconds", unit: :s)
      private_constant :SECONDS

      attr_reader :protocol

      # @param params [Hash] dose: {key => text}, breaks: {index => {round, hold_s, rest_s}}, name, note
      # @param protocol [Protocols::Protocol]
      def self.parse(params, protocol:) = new(params, protocol)

      # @param dose [Hash]
      # @return [DoseForm] filled with a dose
      def self.from(dose, protocol, name: nil, note: nil)
        shown = protocol.parameters.to_h { |parameter| [parameter.key.to_s, TypedNumbers.show(dose[parameter.key], parameter)] }
        breaks = dose.fetch(:breaks, []).each_with_index.to_h do |one, index|
          [index.to_s, one.to_h { |key, value| [key.to_s, (key == :round) ? value.to_s : TypedNumbers.show(value, SECONDS)] }]
        end
        new({"dose" => shown, "breaks" => breaks, "name" => name, "note" => note}, protocol)
      end

      def initialize(params, protocol)
        @typed = readable(params.to_h.merge("dose" => hash(params["dose"]), "breaks" => hash(params["breaks"])))
        @protocol = protocol
        @values = {dose: read_dose, name: typed["name"].to_s.strip, note: typed["note"].to_s}
        @errors = find_errors
      end

      def dose = values[:dose]

      # @return [Hash] what is wrong besides, where it is to be kept: a name
      def naming_errors
        name = values[:name]
        return {"name" => "is missing"} if name.empty?
        return {"name" => "#{name.length} characters are too many; allowed: #{MOST_NAME}"} if name.length > MOST_NAME

        (values[:note].length > MOST_NOTE) ? {"note" => "#{values[:note].length} characters are too many; allowed: #{MOST_NOTE}"} : {}
      end

      # Holds the names against what is allowed as well.
      def named
        @errors = @errors.merge(naming_errors)
        self
      end

      # Numbers that lie in a list have brackets in their path.
      def typed_at(name) = name.to_s.include?("[") ? super : typed[name.to_s]

      private

      def read_dose
        given = typed["dose"]
        dose = protocol.parameters.each_with_object({}) do |parameter, read|
          text = given[parameter.key.to_s].to_s
          read[parameter.key] = TypedNumbers.read(text, parameter) unless text.strip.empty?
        end
        breaks = read_breaks
        dose[:breaks] = breaks if breaks.any?
        Protocols.dose(dose)
      end

      def read_breaks
        typed["breaks"].values.filter_map do |row|
          read = hash(row).slice("round", "hold_s", "rest_s").reject { |_, text| text.to_s.strip.empty? }
          {round: nil, **read.to_h { |key, text| [key.to_sym, TypedNumbers.read(text.to_s, SECONDS)] }} if read.any?
        end
      end

      # Bytes that are no text are shown as such, not choked on.
      def readable(value)
        case value
        when Hash then value.transform_values { |inner| readable(inner) }
        when String then value.scrub
        else value
        end
      end

      def hash(value) = value.is_a?(Hash) ? value : {}

      def find_errors
        faults = protocol.faults(dose).to_h { |key, fault| ["dose[#{key}]", fault] }
        breaks = Timeline::Breaks.faults(dose.fetch(:breaks, [])).to_h { |fault| ["breaks", fault.sub(/\Abreaks\[\d+\][.:]? ?/, "")] }
        faults.merge(breaks)
      end
    end
  end
end
