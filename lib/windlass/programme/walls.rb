# frozen_string_literal: true

module Windlass
  module Programme
    # What readiness says of a plan: it is asked, never copied. Answers that hang on two sessions alone are kept.
    class Walls
      # Nobody is planned without somebody who watches.
      WATCHER = "planned"
      # Days back that a rule of readiness may look at another session, and days that a maximal test is apart.
      NEAR_DAYS = (Progression::Readiness::STRENUOUS_HOURS / 24.0).ceil
      FAR_DAYS = Progression::Readiness::MAXIMAL_DAYS
      # Protocols of which there are so many days in a row at most.
      DAYS_RUNNING =
        Protocols::ALL
          .filter_map { |protocol| [protocol.id, protocol.days_running] if protocol.days_running }
          .to_h
          .freeze
      NOBODY = Screening::Screen.new(answered_on: Date.new(2000, 1, 1), age: Screening::Ages::ADULT)

      # @param calendar [Calendar]
      # @param ground [Hash] of {Progression::Situation}: screen, measures, mornings, history, …
      # @param memo [Hash] answers about two sessions are the same for everybody
      # @param held [Hash{Date => Numeric}] seconds held on days of the past
      # @param since [Date] what was done lies before it, or on it
      # @param done [Hash{Object => Array<Date>}] days of the programme on which a training was done already
      def initialize(calendar, ground:, memo: {}, held: nil, done: {}, since: calendar.from)
        @calendar = calendar
        @ground = ground
        @pairs = memo[:pairs] ||= {}
        @nobodies = Hash.new { |known, date| known[date] = NOBODY.with(answered_on: date) }
        @alone = {}.compare_by_identity
        @between = {}
        @kinds = {}.compare_by_identity
        @held = held || held_in(ground.fetch(:history, []))
        @planned_held = {}
        @since = since
        @limits = {}
        @done = done
      end

      attr_reader :calendar, :done

      # @return [Numeric] seconds held in that week already
      def held_s(week) = @held.slice(*calendar.days(week)).values.sum

      # @param known [Array<Numeric>] seconds held in the weeks before; weeks without sessions left out
      # @return [Numeric, nil] the most that may be held in the week after them; nil before two weeks are known
      def self.line_s(known) = (Progression::Record::RAMP * known.sum / known.size if known.size >= 2)

      # @return [Numeric, nil] the most that may be held in a week; nil before two weeks are known
      def limit_s(week)
        return @limits[week] if @limits.key?(week)

        @limits[week] = Walls.line_s(
          (1..Progression::Record::RAMP_WEEKS).filter_map { |back| held_in_week(week - back) }
        )
      end

      # What a week came to, once it is planned.
      def week_planned(week, placed)
        @limits = {}
        @planned_held[week] = placed.any? ? placed.sum { |one| one.course.hold_seconds } : nil
      end

      # @param placing [Placing]
      # @return [Reason, nil] why readiness would refuse it, whatever else is planned
      def alone(placing)
        # So far from all that was done the hour does not matter any more.
        hour = (placing.berth.date - @since > FAR_DAYS) ? nil : placing.berth.slot.at_min
        of_course = @alone[placing.course] ||= {}
        key = [placing.training.key, placing.berth.date.jd, hour]
        of_course.fetch(key) { of_course[key] = refusal(ready(placing.planned), placing.date) }
      end

      # @param placing [Placing]
      # @return [Reason, nil] why it does not go with what is placed
      def among(placing)
        planned = placing.planned
        mine = kind(planned)
        [clashing(placing.before, mine, planned), placing.placed].each do |others|
          others.each do |one|
            reason = clash?(kind(one), mine, one, planned) && between(*in_order(one, planned))
            return reason if reason
          end
        end
        before_water(planned) || running(planned, placing)
      end

      # @param planned [Planned]
      # @param before [Array<Planned>] in order of time
      # @return [Progression::Readiness::Ready]
      def ready(planned, before = [])
        Progression::Readiness.of(
          Progression::Situation.new(
            **@ground,
            date: planned.date,
            now: planned.begins,
            activity: planned.training.activity,
            standing: at(planned),
            watcher: WATCHER,
            answers: @calendar.water?(planned.date) ? [Progression::TodaysQuestions::WATER] : [],
            forecast_washout: planned.course.washout,
            history: past + seen(before, planned)
          )
        )
      end

      # @param on [Date] the day that it was asked about
      # @return [Reason, nil]
      def refusal(ready, on)
        reason = ready.reasons.reject(&:go?).first
        reason &&
          Reason.new(rule: reason.rule, text: "On #{Words.date(on)}: #{[reason.text, reason.lifts].compact.join(" ")}")
      end

      private

      # Of what is planned before it: what is near, and the newest of its own.
      def seen(before, planned)
        pasts = (@pasts ||= {}.compare_by_identity)
        near = before.select { |one| one.jd > planned.jd - NEAR_HISTORY_DAYS }
        newest =
          near.none? { |one| one.key == planned.key } && before.reverse_each.find { |one| one.key == planned.key }
        [*near, *([newest] if newest)].map { |one| pasts[one] ||= one.to_past }
      end

      # Only the near past says anything, and the newest of each protocol.
      def past =
        @past ||=
          @ground
            .fetch(:history, [])
            .group_by(&:protocol)
            .flat_map do |_, sessions|
              newest = sessions.max_by(&:place_in_time)
              sessions.select do |one|
                one.equal?(newest) || one.date > @since - NEAR_HISTORY_DAYS ||
                  (one.symptoms & Progression::Symptoms::STOPS.keys).any?
              end
            end
      NEAR_HISTORY_DAYS = 15

      def at(planned) =
        planned.training.standing && planned.course.rung &&
          planned.training.standing.with(rung: planned.course.rung, dose: planned.course.dose)

      def in_order(one, other)
        order = one.begins <=> other.begins
        order = one.place_in_slot <=> other.place_in_slot if order.zero?
        (order > 0) ? [other, one] : [one, other]
      end

      # @return [Reason, nil] as often as it is asked, it is the same two
      def between(earlier, later)
        apart = later.jd - earlier.jd
        return if apart > FAR_DAYS || (apart > NEAR_DAYS && !later.training.test?)

        key = [kind(earlier), kind(later), earlier.berth.begins.to_i, later.berth.begins.to_i, earlier.course.seconds]
        @between.fetch(key) { @between[key] = pair(earlier, later) }
      end

      # Of the weeks before only those that could ever clash: asked once for a kind.
      def clashing(before, mine, planned)
        of_before = (@clashing ||= {}.compare_by_identity)[before] ||= {}
        of_before[mine] ||= before.select { |one| clash?(kind(one), mine, one, planned) }
      end

      # What is open right after another is open later, too.
      # @return [Boolean] the one is not open right after the other, or the other not right after the one
      def clash?(one, other, planned, another)
        of_one = (@pairs[one] ||= {})
        of_one.fetch(other) { of_one[other] = right_after?(planned, another) || right_after?(another, planned) }
      end

      def right_after?(earlier, later) = !pair(earlier, later.with(berth: earlier.berth, begins: earlier.ends)).nil?

      # As a key: all that rules may look at of two sessions, but when they are.
      def kind(planned)
        @kinds[planned.course] ||= begin
          activity = planned.training.activity
          [
            activity.id,
            activity.family_ids,
            planned.over_breathing?,
            spared?(planned),
            activity.daily?(planned.course.dose, @ground[:measures]),
            activity.strenuous?,
            activity.once_a_day?
          ].join(" ").to_sym
        end
      end

      # Asked only where it matters: it is to be compiled for that.
      def spared?(planned) = planned.over_breathing? && planned.training.activity.spares?(planned.course.dose)

      # Of two sessions alone, for somebody who may do everything.
      def pair(earlier, later, activity: later.training.activity)
        refusal(
          Progression::Readiness.of(
            Progression::Situation.new(
              date: later.date,
              now: later.begins,
              activity: activity,
              screen: @nobodies[later.date],
              watcher: WATCHER,
              standing: (at(later) if activity.equal?(later.training.activity)),
              forecast_washout: later.course.washout,
              measures: @ground[:measures],
              history: [earlier.to_past]
            )
          ),
          later.date
        )
      end

      # The water that comes after it stays open.
      def before_water(planned)
        return unless planned.over_breathing?

        @calendar.waters.each do |water|
          next unless (0..1).cover?((water.date - planned.date).to_i)

          there =
            planned.with(
              berth: planned.berth.with(date: water.date),
              begins: @calendar.moment(water.date, water.at_min || 0)
            )
          next if there.begins < planned.begins && water.at_min

          reason = pair(planned, there, activity: Progression::WATER)
          return reason if reason
        end
        nil
      end

      # Three days running of the same.
      def running(planned, placing)
        return if planned.training.activity.family_ids.none? { |id| DAYS_RUNNING.key?(id) }

        days = planned.training.activity.family_ids.filter_map { |id| DAYS_RUNNING[id] }.max
        own =
          [*placing.before, *placing.placed, planned].select do |one|
            (one.jd - planned.jd).abs <= days &&
              one.training.activity.family_ids.intersect?(planned.training.activity.family_ids)
          end
            .sort_by(&:begins)
        own.each do |one|
          before = own.take_while { |other| other.begins < one.begins }
          history = past.select { |session| (one.date - session.date).to_i.between?(1, days) } + before.map(&:to_past)
          reason =
            refusal(
              Progression::Readiness.of(
                Progression::Situation.new(
                  date: one.date,
                  now: one.begins,
                  activity: one.training.activity,
                  screen: @nobodies[one.date],
                  watcher: WATCHER,
                  history: history
                )
              ),
              one.date
            )
          return reason if reason&.rule == "wait.day"
        end
        nil
      end

      def held_in(history) =
        history.grep(Progression::Session).group_by(&:date).transform_values { |sessions| sessions.sum(&:hold_seconds) }

      # @return [Numeric, nil] nil of a week without sessions
      def held_in_week(week)
        sums = [*@held.slice(*@calendar.days(week)).values, *@planned_held[week]]
        sums.sum if sums.any?
      end
    end
  end
end
