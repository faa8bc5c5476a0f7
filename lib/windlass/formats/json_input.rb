# frozen_string_literal: true

require "json"
require "json_schemer"

module Windlass
  module Formats
    # JSON from outside, held against a published schema. Every fault is a line: the path, the value, what is allowed.
    class JsonInput
      SCHEMAS = File.expand_path("../../../docs/formats", __dir__)
      MOST_FAULTS = 20
      # As much of a wrong value as a line can bear.
      SHOWN = 40

      # @param schema [String] name of a file in docs/formats
      # @return [JsonInput] the same for the same file: reading a schema takes longer than most questions
      def self.of(schema) = (@known ||= {})[schema] ||= new(schema)

      # @param schema [String] name of a file in docs/formats
      def initialize(schema)
        @schema = JSON.parse(File.read(File.join(SCHEMAS, schema)))
        @schemer = JSONSchemer.schema(@schema, ref_resolver: self.class.method(:resolve))
      end

      # What one schema takes from another stands beside it.
      def self.resolve(uri) = JSON.parse(File.read(File.join(SCHEMAS, File.basename(uri.path))))

      # @param text [String]
      # @return [Hash]
      # @raise [InvalidInput]
      def read(text)
        data = parse(text)
        found = endless(data) || faults(data)
        raise InvalidInput, found.map { |path, wrong| "#{path}: #{wrong}" } if found.any?

        data
      end

      # @param data [Hash] as parsed
      # @return [Array<Array(String, String)>] path, and what is wrong there
      def faults(data)
        long_list(data) || @schemer.validate(data).first(MOST_FAULTS).flat_map { |error| faults_of(error) }.uniq
      end

      private

      def parse(text)
        raise InvalidInput, ["input: is empty; allowed: a JSON object"] if text.strip.empty?

        data = JSON.parse(text)
        data.is_a?(Hash) ? data : raise(InvalidInput, ["input: #{shown(data)} is not allowed; allowed: a JSON object"])
      rescue JSON::ParserError => error
        raise InvalidInput, ["input: is not JSON (#{error.message.lines.first.to_s.strip[0, 120]})"]
      end

      # JSON knows no bounds for a number; what is beyond all of Ruby's is none.
      def endless(value, path = "")
        case value
        when Float
          [[path, "is not a number that can be reckoned with"]] unless value.finite?
        when Hash
          value.lazy.filter_map { |key, inner| endless(inner, [path, key[0, SHOWN]].reject(&:empty?).join(".")) }.first
        when Array
          value.each_with_index.lazy.filter_map { |inner, index| endless(inner, "#{path}[#{index}]") }.first
        end
      end

      # Before anything else: holding each of a hundred thousand entries against the schema would take minutes.
      def long_list(data)
        @schema["properties"].each do |name, rules|
          most = rules["maxItems"]
          list = data[name]
          next unless most && list.is_a?(Array) && list.size > most

          return [[name, "#{list.size} entries are not allowed; allowed: #{rules.fetch("minItems", 0)} to #{most}"]]
        end
        too_many_rounds(data)
      end

      # A long list of long lists is as long as all of them together.
      def too_many_rounds(data)
        most = @schema.dig("properties", "history", "x-most-rounds") or return
        listed =
          if data["history"].is_a?(Array)
            data["history"].grep(Hash).sum { |one| one["rounds"].is_a?(Array) ? one["rounds"].size : 0 }
          else
            0
          end
        [["history", "#{listed} rounds in all are not allowed; allowed: up to #{most}"]] if listed > most
      end

      def faults_of(error)
        path = path(error["data_pointer"])
        case error["type"]
        when "required"
          error["details"]["missing_keys"].map { |key| [[path, key].reject(&:empty?).join("."), "is missing"] }
        when "schema"
          [[path, "is not known here"]]
        else
          [
            [
              path.empty? ? "input" : path,
              "#{shown(error["data"])} is not allowed; allowed: #{allowed(error["schema"])}"
            ]
          ]
        end
      end

      # `/segments/3/seconds` is `segments[3].seconds`
      def path(pointer)
        pointer
          .split("/")
          .drop(1)
          .reduce("") do |path, part|
            part.match?(/\A\d+\z/) ? "#{path}[#{part}]" : [path, part].reject(&:empty?).join(".")
          end
      end

      def shown(value)
        text = JSON.generate(value)
        (text.length > SHOWN) ? "#{text[0, SHOWN]}…" : text
      end

      def allowed(rules)
        return rules["enum"].map { |one| one.nil? ? "null" : one }.join(", ") if rules["enum"]
        return FORMATS.fetch(rules["format"] || rules["pattern"]) if rules["format"] || rules["pattern"]
        return "at least #{rules["minItems"]} entries" if rules["minItems"]
        return "text of #{rules["minLength"]} to #{rules["maxLength"]} characters" if rules["minLength"]

        [Array(rules["type"]).map { |type| TYPES.fetch(type) }.join(" or "), range(rules)].reject(&:empty?).join(", ")
      end

      TYPES = {
        "number" => "a number", "integer" => "a whole number", "string" => "text", "boolean" => "true or false",
        "array" => "a list", "object" => "an object", "null" => "null"
      }.freeze
      FORMATS = {
        "date-time" => "a moment such as 2026-03-02T07:30:00Z",
        '^\d{4}-\d{2}-\d{2}$' => "a day such as 2026-03-02"
      }.freeze
      private_constant :TYPES, :FORMATS

      def range(rules)
        least = rules["minimum"] || (rules["exclusiveMinimum"] && "more than #{rules["exclusiveMinimum"]}")
        most = rules["maximum"]
        return "#{least} to #{most}" if least && most

        if least
          "from #{least}".sub("from more", "more")
        else
          (most ? "up to #{most}" : "")
        end
      end
    end
  end
end
