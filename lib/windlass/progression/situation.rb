# frozen_string_literal: true

module Windlass
  module Progression
    # What an athlete says today, in two taps. Any of {BARRING} leaves quiet breathing only.
    module TodaysQuestions
      BARRING = {
        unwell: "unwell", wheezy: "wheezy or tight in the chest", injured: "injured", alcohol: "alcohol", sedatives: "sedatives",
        faint: "no food for 16 hours, or faint"
      }.freeze
      WATER = :water_today
      ALL = BARRING.merge(WATER => "water later today").freeze
    end

    # An illness: its last day with symptoms.
    Illness = Value.define(:last_day, :chest)

    # A day before a session: what the rules of readiness look at.
    Situation = Value.define(
      :date, :now, :activity, :standing, :screen, :stopped, :resting_until, :answers, :watcher, :mornings, :context, :history,
      :illness, :measures, :forecast_washout
    ) do
      # @param date [Date] the local day
      # @param now [Time, nil] nil: hours are reckoned in whole days
      # @param activity [Protocols::Protocol, Activity]
      # @param standing [Standing, nil] where a protocol stands
      # @param stopped [String, nil] reason of an open stop
      # @param resting_until [Date, nil] first day after a rest
      # @param answers [Array<Symbol>] keys of {TodaysQuestions::ALL}
      # @param watcher [String, nil] named, and present
      # @param mornings [Measures::MorningSeries]
      # @param context [Measures::Context, nil] how the control pause is used
      # @param history [Array<Session>] run, in any order
      # @param illness [Illness, nil] the newest
      # @param forecast_washout [Float, nil] strongest that is forecast for the session, mmHg
      def initialize(date:, activity:, screen:, standing: nil, now: nil, stopped: nil, resting_until: nil, answers: [], watcher: nil,
        mornings: Measures::MorningSeries.new([]), context: nil, history: [], illness: nil, measures: nil, forecast_washout: nil)
        super(date: date, activity: activity, screen: screen, standing: standing, now: now, stopped: stopped,
              resting_until: resting_until, answers: answers, watcher: watcher, mornings: mornings, context: context,
              history: history.reject { |past| past.date > date }.uniq(&:id).sort_by(&:place_in_time), illness: illness, measures: measures,
              forecast_washout: forecast_washout)
      end

      def holds? = activity.holds?

      def dose = standing&.dose

      # @return [Array<Symbol>] of the screening table, that today's dose falls under
      def columns = dose ? activity.columns(dose) : [activity.column].compact

      def over_breathing?
        activity.over_breathing? || (!forecast_washout.nil? && forecast_washout >= Physiology::OVER_BREATHED_MMHG)
      end

      # @return [Float] hours since a session ended
      def hours_since(past)
        (now && past.ended_at) ? (now - past.ended_at) / 3600.0 : (date - past.date).to_i * 24.0
      end

      # @return [Session, nil] the newest for which the block holds
      def newest(&block) = history.reverse.find(&block)

      def on(day) = history.select { |past| past.date == day }

      # @return [String] `tomorrow at 17:30`, `on 4 March 2026`
      def moment(past, hours)
        return "on #{Words.date(past.date + (hours / 24.0).ceil)}" unless now && past.ended_at

        at = past.ended_at + hours * 3600
        "on #{Words.date(at.to_date)} at #{at.strftime("%H:%M")}"
      end
    end
  end
end
