# frozen_string_literal: true

module Windlass
  module Forms
    # A dose of a family, number by number, with rounds that break its pattern and the coach's own words. What is
    # allowed the family itself says.
    class DoseForm < Form
      include Composed

      SECONDS = Protocols::Parameter.new(key: :seconds, words: "seconds", unit: :s)
      private_constant :SECONDS

      attr_reader :protocol

      # @param dose [Hash]
      # @return [Hash] as it is typed
      def self.shown(dose, protocol)
        shown =
          protocol.parameters.to_h do |parameter|
            [parameter.key.to_s, TypedNumbers.show(protocol.setting(dose, parameter.key), parameter)]
          end
        breaks =
          dose
            .fetch(:breaks, [])
            .each_with_index
            .to_h do |one, index|
              [
                index.to_s,
                one.to_h { |key, value| [key.to_s, (key == :round) ? value.to_s : TypedNumbers.show(value, SECONDS)] }
              ]
            end
        {"dose" => shown, "breaks" => breaks, "said" => shown_said(dose.fetch(:said, {}))}
      end

      def self.shown_said(said)
        moments = said.fetch(Timeline::Said::MOMENTS, []).each_with_index.to_h do |one, index|
          [index.to_s, {"at" => TypedNumbers.show(one[:at_s], SECONDS), "words" => one[:words]}]
        end
        said.except(Timeline::Said::MOMENTS).transform_keys(&:to_s).merge("moments" => moments)
      end
      private_class_method :shown_said

      # @param params [Hash] dose: {key => text}, breaks: {index => {round, hold_s, rest_s}}, said: {part => words},
      #   name, note
      # @param within [String, nil] name of what it is a part of: `blocks[2]`
      def initialize(params, protocol, within: nil)
        @within = within
        @typed = readable(params.to_h.merge(%w[dose breaks said].to_h { |part| [part, hash(params[part])] }))
        @protocol = protocol
        @values = {dose: read_dose, **naming}
        @errors = find_errors
      end

      # @return [Array<DoseForm>] what a page shows one after the other
      def parts = [self]

      # @return [String] as the field is called in the page: `dose[hold_s]`, `blocks[2][dose][hold_s]`
      def name_of(part, *keys) = [@within ? "#{@within}[#{part}]" : part, *keys.map { |key| "[#{key}]" }].join

      # @return [Object] as it was typed; what is usual where nothing was
      def typed_number(key) =
        typed["dose"].fetch(key.to_s) do
          TypedNumbers.show(protocol.setting({}, key), protocol.parameters.find { |one| one.key == key })
        end

      # Numbers that lie in a list have brackets in their path.
      def typed_at(name) =
        if name.to_s.include?("[")
          super(@within ? name.to_s.delete_prefix(@within).sub(/\A\[(\w+)\]/, '\1') : name)
        else
          typed[name.to_s]
        end

      private

      def read_dose
        given = typed["dose"]
        dose =
          protocol
            .parameters
            .each_with_object({}) do |parameter, read|
              text = given[parameter.key.to_s].to_s
              read[parameter.key] = TypedNumbers.read(text, parameter) unless text.strip.empty?
            end
        more = {breaks: read_breaks, said: read_said}.reject { |_, value| value.empty? }
        protocol.lean(Protocols.dose(dose.merge(more)))
      end

      def read_breaks
        typed["breaks"].values.filter_map do |row|
          read = hash(row).slice("round", "hold_s", "rest_s").reject { |_, text| text.to_s.strip.empty? }
          {round: nil, **read.to_h { |key, text| [key.to_sym, TypedNumbers.read(text.to_s, SECONDS)] }} if read.any?
        end
      end

      def read_said
        parts = Timeline::Said::KEYS - [Timeline::Said::MOMENTS]
        words = typed["said"].slice(*parts.map(&:to_s)).transform_values { |one| one.to_s.strip }
        {**words.transform_keys(&:to_sym), Timeline::Said::MOMENTS => read_moments}.reject { |_, one| one.empty? }
      end

      def read_moments
        hash(typed["said"]["moments"]).values.grep(Hash).filter_map do |row|
          at, words = row.values_at("at", "words").map { |text| text.to_s.strip }
          {at_s: TypedNumbers.read(at, SECONDS), words: words} unless at.empty? && words.empty?
        end
      end

      def find_errors
        faults = protocol.faults(dose).to_h { |key, fault| [name_of("dose", key), fault] }
        breaks =
          Timeline::Breaks
            .faults(dose.fetch(:breaks, []))
            .to_h { |fault| [name_of("breaks"), fault.sub(/\Abreaks\[\d+\][.:]? ?/, "")] }
        said = Timeline::Said.faults(dose.fetch(:said, {})).to_h { |part, fault| [name_of("said", part), fault] }
        found = faults.merge(breaks, said)
        found.empty? ? past_the_end : found
      end

      # What would be said when it is over.
      def past_the_end
        moments = dose.dig(:said, Timeline::Said::MOMENTS).to_a
        return {} if moments.empty?

        ends_s = protocol.compile(dose).total_ms / 1000
        late = moments.map { |one| one[:at_s] }.select { |at| at >= ends_s }.min or return {}
        {
          name_of("said", "moments") =>
            "after #{Words.clock(late)} it is over; allowed: before #{Words.clock(ends_s)}"
        }
      end
    end
  end
end
