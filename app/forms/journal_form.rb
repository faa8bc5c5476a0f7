# frozen_string_literal: true

module Windlass
  module Forms
    # What the deck sends: a batch of events with the browser's own uuids.
    class JournalForm < Form
      MOST_EVENTS = 500
      # A session ends within a day.
      LONGEST_MS = 86_400_000

      class Rules < Contract
        json do
          required(:events).value(:array, max_size?: MOST_EVENTS).each do
            hash do
              required(:uuid).filled(:string, :uuid_v4?)
              required(:kind).filled(:string, included_in?: Timeline::EVENT_KINDS.map(&:to_s))
              required(:at_ms).filled(:integer, included_in?: 0..LONGEST_MS)
              optional(:round).maybe(:integer, included_in?: 1..10_000)
              optional(:value).maybe(:string, included_in?: Timeline::FIRST_BREATHS.map(&:to_s))
            end
          end
        end
      end
      RULES = Rules
    end
  end
end
