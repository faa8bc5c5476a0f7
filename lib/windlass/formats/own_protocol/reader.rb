# frozen_string_literal: true

require "yaml"

module Windlass
  module Formats
    # Protocols of one's own, as YAML. Published schema: docs/formats/own-protocol.schema.json.
    module OwnProtocol
      # YAML text in, a {Given} out. Every fault is `line 7: dose.hold_s: ...`.
      module Reader
        SCHEMA = "own-protocol.schema.json"
        # A protocol with a hundred changed rounds and a long note has some ten thousand.
        MOST_CHARACTERS = 100_000

        # @param text [String]
        # @return [Given] protocol is the family, dose has its breaks
        # @raise [InvalidInput]
        def self.read(text)
          data, lines = parse(text)
          refuse(JsonInput.of(SCHEMA).faults(data), lines)
          protocol = family(data, lines)
          dose = Protocols.dose(data.fetch("dose").merge(data.slice("breaks")))
          said = Timeline::Said.faults(dose.fetch(:said, {})).transform_keys { |part| ["said", part].compact.join(".") }
          refuse(protocol.faults(dose).merge(said).map { |key, fault| ["dose.#{key}", fault] }, lines)
          bound = protocol.bound(dose)
          Given.new(
            name: data.fetch("name").strip,
            protocol: bound,
            dose: bound.lean(dose),
            note: data.fetch("note", "")
          )
        end

        def self.parse(text)
          if text.length > MOST_CHARACTERS
            raise InvalidInput, ["line 1: #{text.length} characters are too many; allowed: #{MOST_CHARACTERS}"]
          end

          refuse_depth(text)
          document = Psych.parse(text)
          raise InvalidInput, ["line 1: is empty; allowed: a protocol"] unless document

          data = YAML.safe_load(text)
          unless data.is_a?(Hash)
            raise InvalidInput, ["line 1: #{data.inspect[0, 40]} is not allowed; allowed: a protocol"]
          end
          raise InvalidInput, ["line 1: a name that is no text is not allowed; allowed: texts"] unless named?(data)

          [data, Lines.of(document.root)]
        rescue Psych::SyntaxError => error
          raise InvalidInput, ["line #{error.line}: is not YAML (#{error.problem})"]
        rescue Psych::Exception => error
          raise InvalidInput, ["line 1: #{error.message}"]
        end

        # @return [Boolean] all names in it are texts
        def self.named?(value)
          case value
          when Hash
            value.all? { |key, inner| key.is_a?(String) && named?(inner) }
          when Array
            value.all? { |inner| named?(inner) }
          else
            true
          end
        end

        # Looked at before anything is built: what is nested a thousand deep takes a parser's time, and its stack.
        DEEPEST = 12

        def self.refuse_depth(text)
          Psych::Parser.new(Depth.new(DEEPEST)).parse(text)
        end

        # Hears of the beginnings and ends of lists and mappings, and of nothing else.
        class Depth < Psych::Handler
          def initialize(deepest)
            super()
            @deepest = deepest
            @depth = 0
          end

          def event_location(line, *) = @line = line + 1

          %i[start_mapping start_sequence].each do |begun|
            define_method(begun) do |*|
              @depth += 1
              if @depth > @deepest
                raise InvalidInput, ["line #{@line}: is nested more than #{@deepest} deep; allowed: up to #{@deepest}"]
              end
            end
          end

          %i[end_mapping end_sequence].each { |ended| define_method(ended) { @depth -= 1 } }
        end

        def self.family(data, lines)
          Protocols.find(data.fetch("protocol"))
        rescue Unknown => error
          refuse([["protocol", error.message.delete_prefix("protocol: ")]], lines)
        end

        def self.refuse(faults, lines)
          return if faults.empty?

          raise InvalidInput, faults.map { |path, wrong| "line #{lines.line(path)}: #{path}: #{wrong}" }
        end
        private_class_method :parse, :refuse_depth, :named?, :family, :refuse
      end
    end
  end
end
