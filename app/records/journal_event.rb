# frozen_string_literal: true

module Windlass
  module Records
    class JournalEvent < Record
      self.table_name = "journal_events"
      belongs_to :session

      # @return [Timeline::Event]
      def to_core
        Timeline::Event.new(kind: kind.to_sym, at_ms: at_ms, round: round,
          value: Timeline::WHOLE_KINDS.include?(kind.to_sym) ? Integer(value, 10) : value&.to_sym)
      end
    end
  end
end
