# frozen_string_literal: true

module Windlass
  module Progression
    # What readiness asks of a session that is over. Needs protocol, washout and begun?.
    module Past
      # @return [Protocols::Protocol, Activity]
      def activity = Progression.activity(protocol)

      def strenuous? = activity.strenuous?

      # @return [Array] to sort by: the order of days, within one that of their ends
      def place_in_time = [date, ended_at.to_f, id.to_s]

      # Carbon dioxide was washed out, by what the protocol is or by what was forecast.
      def over_breathed = begun? && (activity.over_breathing? || (!washout.nil? && washout >= Physiology::OVER_BREATHED_MMHG))
    end

    # A session without its rounds, where only the day and the kind matter.
    Outline = Value.define(:id, :date, :protocol, :ended_at, :washout, :begun) do
      include Past

      # @param id [Object] unique among an athlete's sessions and tests
      # @param protocol [String] of the library, or an activity's
      def initialize(id:, date:, protocol:, ended_at: nil, washout: nil, begun: true)
        super
      end

      def begun? = begun
    end
  end
end
