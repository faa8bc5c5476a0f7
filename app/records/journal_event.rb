# frozen_string_literal: true

module Windlass
  module Records
    class JournalEvent < Record
      self.table_name = "journal_events"
      belongs_to :session

      # Read without a record for each: a session has a few dozen. Of one moment, what was said later comes later.
      # @return [Hash{Integer => Array<Timeline::Event>}] by session
      def self.core_by_session(session_ids)
        where(session_id: session_ids)
          .order(:at_ms, :id)
          .pluck(:session_id, :kind, :at_ms, :round, :value)
          .group_by(&:first)
          .transform_values { |rows| rows.map { |row| core(*row.drop(1)) } }
      end

      # @return [Timeline::Event]
      def self.core(kind, at_ms, round, value)
        Timeline::Event.new(
          kind: kind.to_sym,
          at_ms: at_ms,
          round: round,
          value: Timeline::WHOLE_KINDS.include?(kind.to_sym) ? Integer(value, 10) : value&.to_sym
        )
      end

      # @return [Timeline::Event]
      def to_core = self.class.core(kind, at_ms, round, value)
    end
  end
end
