# frozen_string_literal: true

module Windlass
  module Records
    # A decided verdict: what was proposed, what the coach decided, and where it led.
    class Move < Record
      self.table_name = "moves"
      reads :reasons
      belongs_to :prescription
      belongs_to :session

      # Moves that stand: none that was taken back.
      scope :kept, -> { where(taken_back_at: nil) }

      # The log was edited since, and the judge says another thing now.
      scope :outdated, -> { kept.where.not(verdict_now: nil) }

      # A clean session on its rung, of which a step needs more; or enough of them, where the coach let it repeat.
      COUNTED = "repeat.count"
      COUNTED_DAYS = 42

      # @return [Hash{Integer => Array<Hash>}] doses of the newest sessions that verdicts counted as clean without a
      #   break, newest first, by prescription
      def self.clean_row(athlete_ids, on:)
        kept
          .joins(:prescription)
          .where(prescriptions: {athlete_id: athlete_ids}, local_date: (on - COUNTED_DAYS)..on)
          .order(local_date: :desc, id: :desc)
          .group_by(&:prescription_id)
          .transform_values { |moves| moves.take_while(&:counted?).map { |move| dose(move.dose_before) } }
      end

      def counted? = verdict == "advance" || reasons.any? { |reason| reason["rule"] == COUNTED }

      def overruled? = verdict != decided

      # @return [String] ` by Maren`
      def by_whom = by_rule ? " by the rule that was allowed#{Person.by(decided_by)}" : Person.by(decided_by)
    end
  end
end
