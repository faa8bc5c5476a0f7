# frozen_string_literal: true

module Windlass
  module Progression
    # A day before a session: what the rules of readiness look at.
    Situation =
      Value.define(
        :date, :now, :activity, :standing, :screen, :stopped, :resting_until, :answers, :watcher, :mornings, :context,
        :history, :illness, :measures, :forecast_washout, :care, :oximeter, :cleared_on, :movement_fault
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
        def initialize(
          date:,
          activity:,
          screen:,
          standing: nil,
          now: nil,
          stopped: nil,
          resting_until: nil,
          answers: [],
          watcher: nil,
          mornings: Measures::MorningSeries.new([]),
          context: nil,
          history: [],
          illness: nil,
          measures: nil,
          forecast_washout: nil,
          care: false,
          oximeter: nil,
          cleared_on: nil,
          movement_fault: nil
        )
          super(
            date: date,
            activity: activity,
            screen: screen,
            standing: standing,
            now: now,
            stopped: stopped,
            resting_until: resting_until,
            answers: answers,
            watcher: watcher,
            mornings: mornings,
            context: context,
            history:
              history
                .select { |past| past.date <= date || (now && past.ended_at && past.ended_at <= now) }
                .sort_by(&:place_in_time),
            illness: illness,
            measures: measures,
            forecast_washout: forecast_washout,
            care: care,
            oximeter: oximeter,
            cleared_on: cleared_on,
            movement_fault: movement_fault
          )
        end

        def holds? = activity.holds?

        def dose = standing&.dose

        # @return [Array<Symbol>] of the screening table, that today's dose falls under
        def columns = dose ? activity.columns(dose) : [activity.column].compact

        # Today's session washes carbon dioxide out.
        def washing_out? =
          activity.over_breathing? || (!forecast_washout.nil? && forecast_washout >= Physiology::OVER_BREATHED_MMHG)

        def over_breathing? = washing_out? && !activity.spares?(dose)

        # @return [String] which of the two it is
        def washing_out_words =
          if activity.over_breathing?
            "Over-breathing"
          else
            "#{activity.name} washes out #{Words.number(forecast_washout)} mmHg of carbon dioxide, and"
          end

        # @return [Numeric] hours since a session ended. An hour that is not known is the latest of its day, and today's
        #   then the first of today: days are compared by their dates, in whatever zone a moment is written.
        def hours_since(past)
          return (date - past.date).to_i * 24 unless now

          past.ended_at ? (now - past.ended_at) / 3600.0 : ((date - past.date).to_i - 1) * 24
        end

        # A short set after strength work may come again, with one of its own kind alone, while the newest of them ended
        # calm.
        # @param past [Session, Outline]
        # @return [Boolean] it keeps today's session neither waiting nor away
        def after_work?(past)
          unless past.protocol == activity.id && [dose, past.dose].all? { |one| activity.daily?(one, measures) }
            return false
          end

          newest { |one| one.counts? && one.protocol == activity.id }.calm?
        end

        # @return [Session, nil] the newest for which the block holds
        def newest(&block) = history.reverse_each.find(&block)

        def on(day) = history.select { |past| past.date == day }

        # @return [Boolean] it is dated today, or tomorrow and is over all the same
        def today?(past) = past.date >= date

        # @param not_same_day [Boolean] nor on the day itself
        # @yieldparam past [Session, Outline]
        # @yieldreturn [Boolean] it keeps today's session away
        # @return [Array(Session, Hash), nil] of all those the one that does so longest, and when so many hours after it
        #   are over
        def keeps_away(hours, not_same_day: false, &block)
          history
            .select(&block)
            .map { |past| [past, lifted(past, hours, not_same_day)] }
            .max_by
            .with_index { |(_, lift), index| [lift.fetch(:opens), index] }
        end

        # The lowest rung of a ladder from smaller measures, under the same limits and the same model; of their own
        # where that is easier still.
        # @param share [Float] of the measures
        # @return [Standing]
        def begun_anew(share)
          own = standing.lowered(standing.rung)
          smaller = Standing.of(activity, measures.scaled(share), **standing.ladder&.bounds.to_h.except(:from))
          (smaller.nil? || smaller.harder?(own)) ? own : smaller
        end

        private

        # @return [Hash] `Not before 4 March 2026 at 17:30.`
        def lifted(past, hours, not_same_day)
          over = in_place(past.ended_at + hours * 3600) if now && past.ended_at
          return Readiness.not_before(over) if over && !(not_same_day && over.to_date <= past.date)

          days = (if over
                    1
                  else
                    [(hours / 24.0).ceil, 1].max + (now ? 1 : 0)
          end)
          Readiness.not_before(past.date + days, now ? now.utc_offset : 0)
        end

        # A moment of the machine's own zone keeps its summer time.
        def in_place(time)
          return time.getutc if now.utc?

          now.zone ? time.getlocal : time.getlocal(now.utc_offset)
        end
      end
  end
end
