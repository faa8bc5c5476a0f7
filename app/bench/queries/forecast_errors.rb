# frozen_string_literal: true

module Windlass
  module Queries
    # How far first urges and oximeter lows lay from what was forecast when their sessions were planned. Of each athlete
    # the first session, before anything was learned of them, and the newest; read once, and again when they change.
    module ForecastErrors
      # kind: :urge, in seconds, or :low, in points of saturation; more than nought: later, or higher, than forecast.
      # learned: something had been learned of them by then. error: the middle of the session's holds.
      Seen = Value.define(:athlete_id, :protocol, :kind, :learned, :error)

      # Of each athlete and kind so many sessions, besides the first.
      NEWEST = 20
      KINDS = {urge: ["first_urge_ms", "urge_s", 1000.0, 1], low: ["sao2_low", "sao2_min", 1.0, 100]}.freeze

      # @param athlete_ids [Array<Integer>]
      # @return [Array<Seen>]
      def self.of(athlete_ids)
        Records::AthleteSnapshot
          .of(:forecast_errors, athlete_ids) { |ids| ids.to_h { |id| [id, read(id)] } }
          .values
          .flatten
      end

      def self.read(id) = KINDS.flat_map { |kind, (column, *)| sessions(id, column).then { |ids| seen(id, kind, ids) } }

      # @return [Array<Integer>] the first, then the newest, in order of time
      def self.sessions(id, column)
        marked =
          Records::Session
            .kept
            .where(athlete_id: id)
            .where.not(forecast: nil)
            .where(
              "EXISTS (SELECT 1 FROM rounds WHERE rounds.session_id = sessions.id AND rounds.hold IS NOT NULL AND " \
              "rounds.#{column} IS NOT NULL)"
            )
            .order(:local_date, :id)
        ids = marked.ids
        [*ids.first(1), *ids.drop(1).last(NEWEST)]
      end

      def self.seen(id, kind, session_ids)
        column, forecast_key, unit, scale = KINDS.fetch(kind)
        rows =
          Records::Round
            .joins(:session)
            .where(session_id: session_ids)
            .where.not(column => nil)
            .where.not(hold: nil)
            .pluck("sessions.id", "sessions.protocol", "sessions.forecast", :hold, column)
            .group_by(&:first)
        session_ids.each_with_index.filter_map do |session_id, place|
          error = middle(rows.fetch(session_id), forecast_key, unit, scale)
          next if error.nil?

          Seen.new(
            athlete_id: id, protocol: rows.fetch(session_id).first[1], kind: kind, learned: place > 0, error: error
          )
        end
      end

      # @return [Float, nil] nil where nothing was forecast of what was marked
      def self.middle(rows, forecast_key, unit, scale)
        forecast = rows.first[2].then { |kept| kept.is_a?(String) ? JSON.parse(kept) : kept }
        errors =
          rows.filter_map do |_, _, _, hold, value|
            forecast.dig(hold - 1, forecast_key)&.then { |said| (value / unit - said) * scale }
          end
        Trends.median(errors)
      end
      private_class_method :read, :sessions, :seen, :middle
    end
  end
end
