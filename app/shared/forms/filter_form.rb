# frozen_string_literal: true

module Windlass
  module Forms
    # What of a long list is looked for. What makes no sense is passed over, and stays in its field with a word.
    class FilterForm < Form
      # A day, another, and which of them is the first.
      class Period < Contract
        params do
          optional(:from).maybe(:date)
          optional(:to).maybe(:date)
        end

        rule(:from, :to) do
          if values[:from] && values[:to] && values[:to] < values[:from]
            key(:to).failure("#{values[:to]} is before #{values[:from]}; allowed: the same day or later")
          end
        end
      end

      # @param names [Array<Symbol>] each becomes a method: what is looked for, or nil
      def self.fields(*names)
        const_set(:FIELDS, names.freeze)
        names.each { |field| define_method(field) { values[field].presence unless fault(field) } }
      end

      # @return [String] address of the same, but for what changes
      def query(**changes) =
        URI.encode_www_form(
          self.class::FIELDS.to_h { |field| [field, text_at(field)] }.merge(changes)
            .reject { |_, value| value.to_s.empty? }
        )

      # @return [Boolean] anything is looked for
      def any? = self.class::FIELDS.any? { |field| public_send(field) }
    end
  end
end
