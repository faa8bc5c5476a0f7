# frozen_string_literal: true

module Windlass
  module Records
    # Several sessions on one deck, each with its own plan, journal and verdict.
    class Squad < Record
      self.table_name = "squads"
      has_many :sessions, -> { order(:lane) }

      # @return [Array<Windlass::Squad::Lane>] in order
      def to_lanes =
        sessions.map do |session|
          Windlass::Squad::Lane.of(
            session.to_timeline,
            id: session.uuid,
            pair: session.pair_lane && sessions[session.pair_lane].uuid
          )
        end

      # @return [Windlass::Squad::LineUp]
      def to_line_up = Windlass::Squad::LineUp.new(to_lanes, sessions.map(&:starts_s), gap_s: gap_s)

      def begun? = sessions.any? { |session| session.state != "planned" }

      def over? = sessions.all?(&:over?)
    end
  end
end
