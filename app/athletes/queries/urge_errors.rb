# frozen_string_literal: true

module Windlass
  module Queries
    # How far marked first urges lay from what was forecast when each session was run.
    module UrgeErrors
      # errors: seconds by which each marked urge came later than forecast.
      Session =
        Value.define(:date, :errors) do
          def median = Trends.median(errors)

          # @return [Array(Float, Float)] the middle half
          def quartiles
            sorted = errors.sort
            [sorted[(sorted.size - 1) / 4], sorted[((sorted.size - 1) * 3/4r).ceil]]
          end
        end

      # @param athlete [Records::Athlete]
      # @param days [Range<Date>]
      # @return [Array<Session>] in order of time
      def self.of(athlete, days)
        rows =
          Records::Round
            .joins(:session)
            .where.not(first_urge_ms: nil)
            .where.not(hold: nil)
            .where.not(sessions: {forecast: nil})
            .where(sessions: {athlete_id: athlete.id, discarded_at: nil, local_date: days})
            .order("sessions.local_date", "sessions.id")
            .pluck("sessions.id", "sessions.local_date", "sessions.forecast", :hold, :first_urge_ms)
        sessions(rows)
      end

      def self.sessions(rows)
        rows
          .group_by(&:first)
          .values
          .filter_map do |of_session|
            forecast = of_session.first[2].then { |kept| kept.is_a?(String) ? JSON.parse(kept) : kept }
            errors =
              of_session.filter_map do |_, _, _, number, urge_ms|
                forecast.dig(number - 1, "urge_s")&.then { |said| urge_ms / 1000.0 - said }
              end
            Session.new(date: of_session.first[1].to_date, errors: errors) if errors.any?
          end
      end
      private_class_method :sessions
    end
  end
end
