# frozen_string_literal: true

module Windlass
  module Actions
    # Fits the gas model to what was logged of an athlete: thrift from oximeter lows, a second threshold from first
    # urges on full lungs. Nothing logged changes nothing.
    module LearnFromLog
      # The newest say most of how the athlete is now.
      SESSIONS = 10

      # What each session taught of a body: of ten that are asked, nine were asked before.
      TAUGHT = BoundedCache.new(3_000)

      def self.call(athlete, now:)
        logged = logged(athlete)
        return if logged.empty? || Forecasts.objection(athlete, on: now.to_date)

        body = athlete.to_body(on: now.to_date)
        remember = TAUGHT.method(:fetch)
        learned = {
          thrift: Physiology::Fitting.thrift(body, logged, remember: remember),
          full_threshold: Physiology::Fitting.full_threshold(body, logged, remember: remember),
          oximeter_logged: logged.any? { |session| session.lows.any? }
        }
        # Nobody typed this: an open form of the athlete is not outdated by it.
        athlete.update_columns(learned)
      end

      def self.logged(athlete)
        taught =
          Records::Round.where("rounds.session_id = sessions.id").where(
            "sao2_low IS NOT NULL OR first_urge_ms IS NOT NULL"
          )
        sessions =
          athlete
            .sessions
            .kept
            .where(taught.arel.exists)
            .includes(:timeline)
            .order(local_date: :desc, started_at: :desc)
            .limit(SESSIONS)
            .to_a
        events = Records::JournalEvent.core_by_session(sessions.map(&:id))
        marks =
          Records::Round
            .where(session_id: sessions.map(&:id))
            .where.not(hold: nil)
            .pluck(:session_id, :hold, :sao2_low, :first_urge_ms)
            .group_by(&:first)
        sessions.map do |session|
          events_of_it = events.fetch(session.id, [])
          read(session.to_run(events_of_it), marks.fetch(session.id, []), Timeline::Readings.new(events_of_it).torn)
        end
      end

      # @param torn [Hash] lows beside which readings are missing: a body that is believed to save oxygen, because
      #   nobody saw how much it used, would be let hold for longer
      def self.read(timeline, marks, torn)
        Physiology::Fitting::Logged.new(
          timeline: timeline,
          lows: marks.to_h { |_, hold, low, _| [hold, low] }.compact.reject { |hold, low| torn[hold] == low },
          urges: marks.to_h { |_, hold, _, urge_ms| [hold, urge_ms && urge_ms / 1000.0] }.compact
        )
      end
      private_class_method :logged, :read
    end
  end
end
