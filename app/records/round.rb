# frozen_string_literal: true

module Windlass
  module Records
    class Round < Record
      self.table_name = "rounds"
      belongs_to :session

      COLUMNS = %i[session_id number target_ms held_ms skipped first_breath sao2_low ribs stream unmarked].freeze

      # @return [Hash{Integer => Array<Progression::Round>}] by session, in order
      def self.core_by_session(session_ids)
        rows = connection.select_rows(where(session_id: session_ids).order(:number).select(COLUMNS).to_sql)
        rows.group_by(&:first).transform_values { |of_session| of_session.map { |row| core(*row.drop(1)) } }
      end

      # What a log says of holds, without records: there are thousands.
      Outcome =
        Value.define(:first_breath, :first_urge_ms, :held_ms, :unmarked) do
          # @return [Integer, nil] milliseconds that somebody marked
          def marked_ms = (held_ms unless unmarked)
        end

      # @return [Hash{Integer => Array<Outcome>}] by session, in order
      def self.outcomes(session_ids)
        rows =
          where(session_id: session_ids).order(:session_id, :number).pluck(
            :session_id, :first_breath, :first_urge_ms, :held_ms, :unmarked
          )
        rows
          .group_by(&:first)
          .transform_values do |of_session|
            of_session.map do |_, breath, urge_ms, held_ms, unmarked|
              Outcome.new(first_breath: breath, first_urge_ms: urge_ms, held_ms: held_ms, unmarked: unmarked)
            end
          end
      end

      # @return [Progression::Round]
      def self.core(number, target_ms, held_ms, skipped, first_breath, sao2_low, ribs, stream, unmarked)
        Progression::Round.new(
          number: number,
          target_s: target_ms && target_ms / 1000.0,
          held_s: held_ms && held_ms / 1000.0,
          skipped: [true, 1].include?(skipped),
          first_breath: first_breath&.to_sym,
          sao2_low: sao2_low,
          ribs: ribs&.to_sym,
          stream: stream&.to_sym,
          unmarked: [true, 1].include?(unmarked)
        )
      end

      # @return [Progression::Round]
      def to_core = self.class.core(*values_at(*COLUMNS.drop(1)))

      private

      def values_at(*columns) = columns.map { |column| self[column] }
    end
  end
end
