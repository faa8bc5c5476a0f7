# frozen_string_literal: true

module Windlass
  module Actions
    # Fits the gas model to what was logged of an athlete: thrift from oximeter lows, a second threshold from first urges
    # on full lungs. Nothing logged changes nothing.
    module LearnFromLog
      # The newest say most of how the athlete is now.
      SESSIONS = 10

      def self.call(athlete, now:)
        logged = logged(athlete)
        return if logged.empty? || Forecasts.objection(athlete, on: now.to_date)

        body = athlete.to_body(on: now.to_date)
        learned = {thrift: Physiology::Fitting.thrift(body, logged), full_threshold: Physiology::Fitting.full_threshold(body, logged),
                   oximeter_logged: logged.any? { |session| session.lows.any? }}
        # Nobody typed this: an open form of the athlete is not outdated by it.
        athlete.update_columns(learned)
      end

      def self.logged(athlete)
        taught = Records::Round.where.not(sao2_low: nil).or(Records::Round.where.not(first_urge_ms: nil)).select(:session_id)
        athlete.sessions.kept.where(id: taught).includes(:rounds, :journal_events).order(started_at: :desc).limit(SESSIONS).map do |session|
          Physiology::Fitting::Logged.new(timeline: session.to_run, lows: by_number(session, :sao2_low),
            urges: by_number(session, :first_urge_ms).transform_values { |ms| ms / 1000.0 })
        end
      end

      def self.by_number(session, column) = session.rounds.select(&:hold).to_h { |round| [round.hold, round[column]] }.compact
      private_class_method :logged, :by_number
    end
  end
end
