# frozen_string_literal: true

module Windlass
  module Forms
    # What of the log is looked for. What makes no sense is passed over, and stays in its field with a word.
    class LogForm < Form
      # How the log is sorted.
      ORDERS = {"newest" => "newest first", "oldest" => "oldest first", "hardest" => "hardest first"}.freeze

      class Rules < Contract
        params do
          optional(:athlete_id).maybe(:integer)
          optional(:protocol).maybe(Types::Text)
          optional(:from).maybe(:date)
          optional(:to).maybe(:date)
          optional(:verdict).maybe(:string, included_in?: Progression::VERDICTS.map(&:to_s))
          optional(:symptom).maybe(:string, included_in?: [Records::SessionLog::ANY_SYMPTOM, *Progression::Symptoms::ALL.keys.map(&:to_s)])
          optional(:place).maybe(Types::Text)
          optional(:search).maybe(Types::Text)
          optional(:order).maybe(:string, included_in?: ORDERS.keys)
          optional(:discarded).maybe(:bool)
          optional(:after).maybe(:string)
        end

        rule(:from, :to) do
          if values[:from] && values[:to] && values[:to] < values[:from]
            key(:to).failure("#{values[:to]} is before #{values[:from]}; allowed: the same day or later")
          end
        end
      end
      RULES = Rules

      FIELDS = %i[athlete_id protocol from to verdict symptom place search order discarded].freeze
      FIELDS.each { |field| define_method(field) { values[field].presence unless fault(field) } }

      # @return [Array(Float, Date, Integer), nil] effort, day and number of the last row of the page before
      def after
        day, id, effort = values[:after].to_s.split("~")
        [effort.to_f, Date.iso8601(day), Integer(id, 10)] if day && id
      rescue ArgumentError
        nil
      end

      # @return [String] address of the same, from another row on
      def query(**changes) =
        URI.encode_www_form(
          FIELDS.to_h { |field| [field, text_at(field)] }.merge(changes).reject { |_, value| value.to_s.empty? }
        )
    end
  end
end
