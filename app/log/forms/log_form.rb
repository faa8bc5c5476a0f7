# frozen_string_literal: true

module Windlass
  module Forms
    # What of the log is looked for.
    class LogForm < FilterForm
      # How the log is sorted.
      ORDERS = {"newest" => "newest first", "oldest" => "oldest first", "hardest" => "hardest first"}.freeze

      class Rules < Period
        params do
          optional(:athlete_id).maybe(:integer)
          optional(:protocol).maybe(Types::Text)
          optional(:verdict).maybe(:string, included_in?: Progression::VERDICTS.map(&:to_s))
          optional(:symptom).maybe(:string,
            included_in?: [Records::SessionLog::ANY_SYMPTOM, *Progression::Symptoms::ALL.keys.map(&:to_s)])
          optional(:place).maybe(Types::Text)
          optional(:search).maybe(Types::Text)
          optional(:order).maybe(:string, included_in?: ORDERS.keys)
          optional(:discarded).maybe(:bool)
          optional(:after).maybe(:string)
        end
      end
      RULES = Rules

      fields :athlete_id, :protocol, :from, :to, :verdict, :symptom, :place, :search, :order, :discarded

      # @return [Array(Float, Date, Integer), nil] effort, day and number of the last row of the page before
      def after
        day, id, effort = values[:after].to_s.split("~")
        [effort.to_f, Date.iso8601(day), Integer(id, 10)] if day && id
      rescue ArgumentError
        nil
      end
    end
  end
end
