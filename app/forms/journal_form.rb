# frozen_string_literal: true

module Windlass
  module Forms
    # What the deck sends: a batch of events with the browser's own uuids.
    class JournalForm < Form
      MOST_EVENTS = 500
      # A session ends within a day.
      LONGEST_MS = 86_400_000

      # What may stand in `value`, by kind of event; nothing with the others.
      VALUES = {
        "first_breath" => Timeline::FIRST_BREATHS.map(&:to_s), "oximeter" => (30..100).map(&:to_s)
      }.freeze

      class Rules < Contract
        json do
          required(:events).value(:array, max_size?: MOST_EVENTS).each do
            hash do
              required(:uuid).filled(:string, :uuid_v4?)
              required(:kind).filled(:string, included_in?: Timeline::EVENT_KINDS.map(&:to_s))
              required(:at_ms).filled(:integer, included_in?: 0..LONGEST_MS)
              optional(:round).maybe(:integer, included_in?: 1..10_000)
              optional(:value).maybe(:string)
            end
          end
        end

        rule(:events).each do
          allowed = VALUES[value[:kind]]
          unless allowed.nil? ? value[:value].nil? : allowed.include?(value[:value])
            key.failure("value #{value[:value].inspect} does not go with #{value[:kind]}")
          end
        end
      end
      RULES = Rules
    end
  end
end
