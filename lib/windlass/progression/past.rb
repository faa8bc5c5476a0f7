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
      def place_in_time = [date.jd, ended_at ? ended_at.to_f : Float::INFINITY, id.to_s]

      # Carbon dioxide was washed out, by what the protocol is or by what was forecast; whether anything was held is no
      # matter. Walls before water go by this.
      def washed_out? =
        ran? && (activity.over_breathing? || (!washout.nil? && washout >= Physiology::OVER_BREATHED_MMHG))

      # It was over-breathing: a few full breaths before a dry drill are none.
      def over_breathed = washed_out? && !activity.spares?(dose)

      # An oximeter that falls under it eases the next dose, and ends the holds of what runs.
      LOW_SATURATION = 0.75

      # @return [Float] 0..1; higher after over-breathing, where the urge comes too late to warn
      def saturation_limit = over_breathed ? Physiology::PLANNING_FLOOR : LOW_SATURATION

      # @return [String] which of the two it was
      def washed_out_words =
        if activity.over_breathing?
          "Over-breathing"
        else
          "#{activity.name}, #{Words.number(washout)} mmHg of carbon dioxide washed out"
        end
    end
  end
end
