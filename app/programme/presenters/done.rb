# frozen_string_literal: true

module Windlass
  module Presenters
    # Which planned sessions were done: looked up for many at once.
    class Done
      # @param athlete_ids [Array<Integer>]
      # @param days [Range<Date>]
      def initialize(athlete_ids, days)
        @sessions = Records::Session.days_done(athlete_ids, days).to_set
        @tests =
          Records::Measure
            .where(
              athlete_id: athlete_ids,
              kind: "maximal_hold",
              taken_at: days.first.to_time...(days.last + 1).to_time
            )
            .pluck(:athlete_id, :taken_at)
            .to_set { |id, at| [id, at.getlocal.to_date] }
      end

      # @param planned [Records::PlannedSession]
      def done?(planned) =
        if planned.test?
          @tests.include?([planned.athlete_id, planned.local_date])
        else
          @sessions.include?([planned.prescription_id, planned.local_date])
        end
    end
  end
end
