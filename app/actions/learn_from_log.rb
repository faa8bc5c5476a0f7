# frozen_string_literal: true

module Windlass
  module Actions
    # Fits the gas model to what was logged of an athlete: thrift from oximeter lows, a second threshold from first urges
    # on full lungs. Nothing logged changes nothing.
    module LearnFromLog
      # The newest say most of how the athlete is now.
      SESSIONS = 10

      # What each session taught of a body: of ten that are asked, nine were asked before.
      TAUGHT = Kept.new(3_000)

      def self.call(athlete, now:)
        logged = logged(athlete)
        return if logged.empty? || Forecasts.objection(athlete, on: now.to_date)

        body = athlete.to_body(on: now.to_date)
        remember = TAUGHT.method(:fetch)
        learned = {thrift: Physiology::Fitting.thrift(body, logged, remember: remember), full_threshold: Physiology::Fitting.full_threshold(body, logged, remember: remember),
                   oximeter_logged: logged.any? { |session| session.lows.any? }}
        # Nobody typed this: an open form of the athlete is not outdated by it.
        athlete.update_columns(learned)
      end

      def self.logged(athlete)
        taught = Records::Round.where("rounds.session_id = sessions.id").where("sao2_low IS NOT NULL OR first_urge_ms IS NOT NULL")
        athlete.sessions.kept.where(taught.arel.exists).includes(:rounds, :journal_events).order(started_at: :desc).limit(SESSIONS).map do |session|
          Physiology::Fitting::Logged.new(timeline: session.to_run, lows: by_number(session, :sao2_low),
            urges: by_number(session, :first_urge_ms).transform_values { |ms| ms / 1000.0 })
        end
      end

      def self.by_number(session, column) = session.rounds.select(&:hold).to_h { |round| [round.hold, round[column]] }.compact
      private_class_method :logged, :by_number
    end
  end
end
