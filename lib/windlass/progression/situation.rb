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
      CHEST_ILLNESS = "a chest illness"

      # @param answers [Hash{Symbol => String}] those that matter
      # @return [String] what a coach asks a group aloud, with the illness that is kept for longer than a day
      def self.aloud(answers = ALL) = "#{Words.list([*answers.values, CHEST_ILLNESS], "or")}?"
    end

    # An illness: its last day with symptoms.
    Illness = Value.define(:last_day, :chest)

    # A day before a session: what the rules of readiness look at.
    Situation = Value.define(
      :date, :now, :activity, :standing, :screen, :stopped, :resting_until, :answers, :watcher, :mornings, :context, :history,
      :illness, :measures, :forecast_washout, :care, :oximeter, :cleared_on, :movement_fault
    ) do
      # @param date [Date] the local day
      # @param now [Time, nil] in the place's own zone; nil: hours are reckoned in whole days
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
      # @param care [Boolean] a forecast hold falls under the planning floor
      # @param oximeter [Boolean, nil] it is on; nil: not asked
      # @param movement_fault [String, nil] what was wrong when the breathing movement was looked at last
      # @param cleared_on [Date, nil] a clinician has cleared what stopped the athlete up to that day
      def initialize(date:, activity:, screen:, standing: nil, now: nil, stopped: nil, resting_until: nil, answers: [], watcher: nil,
        mornings: Measures::MorningSeries.new([]), context: nil, history: [], illness: nil, measures: nil, forecast_washout: nil,
        care: false, oximeter: nil, cleared_on: nil, movement_fault: nil)
        super(date: date, activity: activity, screen: screen, standing: standing, now: now, stopped: stopped,
              resting_until: resting_until, answers: answers, watcher: watcher, mornings: mornings, context: context,
              history: history.select { |past| past.date <= date || (now && past.ended_at && past.ended_at <= now) }.sort_by(&:place_in_time),
              illness: illness, measures: measures, forecast_washout: forecast_washout, care: care, oximeter: oximeter, cleared_on: cleared_on, movement_fault: movement_fault)
      end

      def holds? = activity.holds?

      def dose = standing&.dose

      # @return [Array<Symbol>] of the screening table, that today's dose falls under
      def columns = dose ? activity.columns(dose) : [activity.column].compact

      def over_breathing?
        activity.over_breathing? || (!forecast_washout.nil? && forecast_washout >= Physiology::OVER_BREATHED_MMHG)
      end

      # @return [Numeric] hours since a session ended. An hour that is not known is the latest of its day.
      def hours_since(past) = now ? (now - instant(past)) / 3600.0 : (date - past.date).to_i * 24

      # @return [Session, nil] the newest for which the block holds
      def newest(&block) = history.select(&block).max_by.with_index { |past, index| [now ? instant(past).to_f : 0, index] }

      def on(day) = history.select { |past| past.date == day }

      # @return [Boolean] it was on this day, by its own date or by the place's
      def today?(past) = last_day(past) >= date

      # @param not_same_day [Boolean] nor on the day itself
      # @return [String] when so many hours after a session are over: `on 4 March 2026 at 17:30`
      def lifted(past, hours, not_same_day: false)
        return "on #{Words.date(past.date + [(hours / 24.0).ceil, 1].max)}" unless now

        over = instant(past) + hours * 3600
        over = [over, midnight(last_day(past) + 1)].max if not_same_day
        Words.moment(in_place(over))
      end

      private

      # The later of the day that it is dated and the day on which it ended here.
      def last_day(past) = [past.date, (in_place(past.ended_at).to_date if now && past.ended_at)].compact.max

      def instant(past) = past.ended_at || midnight(past.date + 1)

      def midnight(day) = if now.zone
                            in_place(Time.new(day.year, day.month, day.day, 0, 0, 0, now.utc? ? "UTC" : nil))
                          else
                            Time.new(day.year, day.month, day.day, 0, 0, 0, now.utc_offset)
                          end

      # A moment of the machine's own zone keeps its summer time.
      def in_place(time)
        return time.getutc if now.utc?

        now.zone ? time.getlocal : time.getlocal(now.utc_offset)
      end
    end
  end
end
