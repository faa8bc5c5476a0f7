# frozen_string_literal: true

module Windlass
  module Actions
    # Takes the newest move of a prescription back: the dose is what it was before, a rest that it brought is over. The
    # move stays on record. A stop is never taken back: a clearance lifts it.
    module TakeBack
      # @param move [Records::Move]
      # @raise [Error]
      def self.call(move, now:)
        raise Error, "A stop is lifted by a clinician's clearance, not undone." if move.decided == "stop"
        raise Error, "Only the newest decision can be undone." unless Queries::StillOpen.retractable?(move)

        move.transaction do
          move.update!(taken_back_at: now, verdict_now: nil, reason_now: nil)
          next if move.noted

          move.prescription.update!(
            dose: move.dose_before,
            reduced: move.reduced_before,
            state: "active",
            quiet_since: nil
          )
          Records::Suspension.where(session_id: move.session_id, kind: "rest").delete_all
        end
        StoreVerdict.call(move.session)
      end
    end
  end
end
