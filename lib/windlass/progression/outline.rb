# frozen_string_literal: true

module Windlass
  module Progression
    # A session without its rounds, where only the day and the kind matter.
    # @param id [Object] of the session or test
    # @param protocol [String] of the library, or an activity's
    # @param dose [Hash, nil] where what it is hangs on it
    # @param counts [Boolean] it is a session: no false start, not discarded
    # @param ran [Boolean] it ran at all
    # @param calm [Boolean] the first breath after each of its holds is known, and was smooth
    Outline =
      Value.define(
        :id,
        :date,
        :protocol,
        dose: nil,
        ended_at: nil,
        washout: nil,
        counts: true,
        ran: true,
        symptoms: [],
        calm: false
      ) do
        include Past

        def counts? = counts

        def ran? = ran

        def calm? = calm
      end
  end
end
