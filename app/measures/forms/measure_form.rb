# frozen_string_literal: true

module Windlass
  module Forms
    # A measure of any kind: what it asks for, the day, a note. The contract is made from the kind's own fields.
    class MeasureForm < Form
      DAYS_BACK = 365

      # @param kind [Measures::Kind]
      # @return [Class] a contract
      def self.contract(kind)
        @contracts ||= {}
        @contracts[kind.id] ||= Class.new(TakenContract) do
          params do
            kind.fields.each { |field| MeasureForm.field(self, field) }
          end
          at_most_back(DAYS_BACK)
          kind.fields.select(&:range).each { |field| rule(field.key).validate(within: field.range) }
          MeasureForm.marks(self, kind)
        end
      end

      # What has to be saved at once is not asked for the rest.
      # @param params [Hash]
      # @return [Hash] without the faults of what may follow
      def self.urgent_errors(kind, params, errors)
        answers = kind.fields.select(&:choices).to_h { |field| [field.key, params[field.key.to_s]] }.compact
        if kind.urgent?(answers)
          errors.reject { |key, _| kind.fields.any? { |field| field.key.to_s == key && params[key].to_s.empty? } }
        else
          errors
        end
      end

      # One field of a schema: a number, a choice, or text.
      def self.field(schema, field)
        asked = field.optional ? schema.optional(field.key) : schema.required(field.key)
        type =
          if field.range
            (field.unit == "s") ? Types::Seconds : Types::Number
          else
            Types::Text
          end
        if field.choices
          asked.filled(:string, included_in?: field.choices.keys)
        else
          field.optional ? asked.maybe(type) : asked.filled(type)
        end
      end

      # What was marked while it ran lies within it.
      def self.marks(contract, kind)
        kind
          .fields
          .select(&:mark)
          .each do |field|
            contract.rule(field.key, kind.value) do
              whole, mark = values[kind.value], values[field.key]
              if whole && mark && mark > whole
                key(field.key).failure(
                  "#{Words.number(mark)} is not allowed; allowed: up to #{Words.number(whole)}, its end"
                )
              end
            end
          end
      end

      # @param params [Hash]
      def self.parse(params, kind:, today:, shown: {}) =
        new(params, contract(kind).new(today: today), shown: shown).for_kind(kind)

      # @return [MeasureForm] with the faults that matter of that kind
      def for_kind(kind)
        @errors = self.class.urgent_errors(kind, typed, errors)
        self
      end
    end
  end
end
