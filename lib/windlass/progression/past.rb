# frozen_string_literal: true

module Windlass
  module Progression
    # What readiness asks of a session that is over. Needs protocol, dose, washout, counts? and ran?.
    module Past
      # @return [Protocols::Protocol, Activity]
      def activity = Progression.activity(protocol).bound(dose)

      def strenuous? = activity.strenuous?

      # @return [Array] to sort by: the order of days, within one that of their ends; an hour that is not known is the
      #   latest
      def place_in_time = [date, ended_at ? ended_at.to_f : Float::INFINITY, id.to_s]

      # Carbon dioxide was washed out, by what the protocol is or by what was forecast; whether anything was held is no
      # matter. Walls before water go by this.
      def washed_out? =
        ran? && (activity.over_breathing? || (!washout.nil? && washout >= Physiology::OVER_BREATHED_MMHG))

      # It was over-breathing: a few full breaths before a dry drill are none.
      def over_breathed = washed_out? && !activity.spares?(dose)

      # @return [String] which of the two it was
      def washed_out_words =
        if activity.over_breathing?
          "Over-breathing"
        else
          "#{activity.name}, #{Words.number(washout)} mmHg of carbon dioxide washed out"
        end
    end

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
