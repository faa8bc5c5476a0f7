# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # Days that wait for a decision.
      module Undecided
        # The newest session of each day without a decision, once the day's sets are done or given up. Days before the
        # newest one that is decided have nothing to decide any more.
        # @param ground [Ground]
        # @param days [Integer] so far back
        # @return [Array<Records::Session>]
        def self.of(ground, days:)
          newest = newest_decided(ground, days)
          open =
            Records::Session
              .kept
              .undecided
              .in_order
              .includes(:prescription)
              .where(athlete_id: ground.by_id.keys, local_date: (ground.today - days)..ground.today)
          open
            .group_by { |session| [session.prescription_id, session.local_date] }
            .values
            .select { |sets| decidable?(ground, sets, newest) }
            .map(&:last)
        end

        def self.decidable?(ground, sets, newest_decided)
          newest = sets.last
          newest_decided.fetch(newest.prescription_id, newest.local_date) <= newest.local_date &&
            Queries::JudgeDay.over?(sets, today: ground.today, done: ground.sets_done(newest.prescription_id))
        end

        # @return [Hash{Integer => Date}] by prescription
        def self.newest_decided(ground, days)
          Records::Move
            .kept
            .where(
              prescription_id: ground.prescriptions.map(&:id),
              noted: false,
              local_date: (ground.today - days)..
            )
            .group(:prescription_id)
            .maximum(:local_date)
            .transform_values(&:to_date)
        end
        private_class_method :decidable?, :newest_decided
      end
    end
  end
end
