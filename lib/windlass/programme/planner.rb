# frozen_string_literal: true

module Windlass
  module Programme
    # Plans weeks ahead. The same input gives the same plan.
    class Planner
      # A maximal test is proposed when the last one is so long ago.
      TEST_WEEKS = 6
      TEST = Training.new(key: "maximal-test", protocol: Progression::MAXIMAL_TEST, standing: nil, times: 1)

      # @param calendar [Calendar]
      # @param slots [Array<Slot>]
      # @param trainings [Array<Training>]
      # @param ground [Hash] of {Progression::Situation}: screen, measures, mornings, history, …
      # @param before [Array<Wish>] where sessions were planned before
      # @param fixed [Array<Wish>] where a coach put sessions
      # @param since [Date] nothing is planned before it: the weeks before are as they were
      # @param done [Hash{Object => Array<Date>}] days of the programme on which a training was done already
      # @param now [Time, nil] nothing is planned before it either
      # @param memo [Hash] what is the same for everybody; shared by the plans of a squad
      def initialize(
        calendar,
        slots:,
        trainings:,
        ground:,
        before: [],
        fixed: [],
        held: nil,
        memo: {},
        since: calendar.from,
        now: nil,
        done: {}
      )
        @since = since
        @opens = [calendar.moment(since, 0), now].compact.max
        @done = done
        @calendar = calendar
        @slots = slots
        @trainings = trainings
        @walls = Walls.new(calendar, ground: ground, memo: memo, held: held, done: done, since: since)
        @history = ground.fetch(:history, [])
        @screen = ground[:screen]
        @shown_on = ground[:measures]&.maximal_hold_shown_on
        @expectations = [*trainings, TEST].to_h { |training| [training.key, Expectation.new(training)] }
        @wishes = before.group_by(&:key)
        @fixed = (fixed + test_wishes).select { |wish| wish.date >= since }
        @placed = []
        @unplaced = []
      end

      # @yieldparam week [Integer] that is planned
      # @return [Plan]
      def plan
        @ahead = @fixed.filter_map { |wish| put(wish) }
        weeks =
          (0...@calendar.weeks).map do |week|
            yield week if block_given?
            plan_week(week)
          end
        sessions = @placed.map { |one| Entry.new(**EntryWords.of(one, self)) }
        Plan.new(sessions: sessions, unplaced: @unplaced, weeks: weeks)
      end

      attr_reader :calendar, :placed

      # Why a session may not lie there, with others where they lie.
      # @param wish [Wish]
      # @param others [Array<Wish>]
      # @param from [Wish, nil] where it lies now
      # @return [Reason, nil]
      def refusal(wish, others, from: nil)
        planned = laid(wish) or return EntryWords::NO_SLOT
        lie = others.filter_map { |other| laid(other) }
        if lie.any? { |one| one.key == wish.key && one.jd == planned.jd }
          return Reason.new(rule: "again", text: "It is planned on that day already.")
        end

        weigh(lie)
        week = @calendar.week_of(wish.date)
        placed, before =
          lie
            .select { |one| (one.jd - planned.jd).abs <= Walls::FAR_DAYS }
            .partition { |one| @calendar.week_of(one.date) == week }
        Planner.refusal(
          Placing.new(planned, week: week, calendar: @calendar, walls: @walls, placed: placed, before: before)
        ) || heavier(lie, from && laid(from), planned)
      end

      # What each week comes to where sessions lie so.
      # @param wishes [Array<Wish>]
      # @return [Array<Week>]
      def weeks_of(wishes) = weigh(wishes.filter_map { |wish| laid(wish) })

      # Why a session may not lie there.
      # @return [Reason, nil]
      def self.refusal(placing) =
        (Rules::ALONE + Rules::AMONG).each { |rule| (reason = rule.check(placing)) && (return reason) } && nil

      # @return [Integer] how often it was done already in that week
      def done(training, week) = @done.fetch(training.key, []).count { |date| @calendar.week_of(date) == week }

      # @return [Array<Planned>] of a training, in that week of the plan
      def placed_in(training, week) =
        (@by_week ||= @placed.group_by { |one| [one.key, @calendar.week_of(one.date)] }).fetch([training.key, week], [])

      private

      def plan_week(week)
        return weighed(week, []) if @calendar.days(week).last < @since

        search =
          WeekSearch.new(
            week,
            calendar: @calendar,
            slots: @slots,
            walls: @walls,
            before: @placed,
            ahead: ahead(week),
            expectations: @expectations,
            wishes: @wishes,
            opens: @opens
          )
        asked = asked(week)
        placed = sound(search.best(asked, fixed: fixed(week, search.refusals)), search)
        keep(week, placed)
        tell_missing(week, asked, placed, search)
        weighed(week, placed)
      end

      def weighed(week, placed)
        Week.new(
          from: @calendar.days(week).first,
          hold_seconds: @walls.held_s(week) + placed.sum { |one| one.course.hold_seconds },
          easy: @calendar.easy?(week),
          limit_s: @walls.limit_s(week)
        )
      end

      # @param lie [Array<Planned>] of all weeks
      def weigh(lie)
        of_week = lie.group_by { |one| @calendar.week_of(one.date) }
        weeks = (0...@calendar.weeks)
        weeks.each { |week| @walls.week_planned(week, of_week.fetch(week, [])) }
        weeks.map { |week| weighed(week, of_week.fetch(week, [])) }
      end

      # A move may take any week over its line, or further over it: the next ones lean on what it takes from one and
      # gives to another.
      def heavier(lie, was, planned)
        before, after = [was, planned].map { |one| weigh([*lie, *([one] if one)]) }
        over = after.zip(before).find { |now, then_| now.over_s > [then_.over_s, 0].max + 0.5 }&.first
        if over
          Reason.new(
            rule: "ramp.week",
            text: "The week of #{Words.date(over.from)} would then be #{Words.length(over.over_s.ceil)} over its line."
          )
        end
      end

      def asked(week)
        asked =
          @trainings
            .select(&:standing)
            .to_h { |training| [training, [@calendar.times(training, week) - done(training, week), 0].max] }
        test?(week) ? {TEST => 1}.merge(asked) : asked
      end

      # One that is due: first thing after an easy week, or where a ladder has reached its top.
      def test?(week)
        return false if @calendar.easy?(week)
        # One that has a date lies on it, or nowhere.
        if @ahead.any? { |one|
             one.training.test? &&
                 (one.date - @calendar.days(week).first).to_i.between?(-Walls::FAR_DAYS, 7 + Walls::FAR_DAYS)
           }
          return false
        end
        if @trainings.none? { |training|
             training.protocol.is_a?(Protocols::Protocol) && training.protocol.needs.key?(:maximal_hold_s)
           }
          return false
        end

        due = @calendar.days(week).first - last_test >= 7 * TEST_WEEKS
        (due && @calendar.after_easy?(week)) || (topped? && @calendar.days(week).first - last_test > 7)
      end

      def test_events(week) =
        @calendar.events.select { |event| event.test? && @calendar.days(week).include?(event.date) }

      # Where nobody knows of one, it was as long ago as makes one due after the first easy week.
      def last_test =
        [
          *@placed.select { |one| one.training.test? }.map(&:date),
          *@history.select { |one| one.protocol == TEST.key }.map(&:date),
          @shown_on
        ].compact.max || @calendar.from - 7 * TEST_WEEKS

      def topped? =
        @trainings.any? do |training|
          training.protocol.is_a?(Protocols::Protocol) && training.protocol.needs.key?(:maximal_hold_s) &&
            training.standing && @expectations.fetch(training.key).topped?
        end

      def test_wishes =
        @calendar.events.select(&:test?).map { |event| Wish.new(key: TEST.key, date: event.date, at_min: event.at_min) }

      # What lies fixed in later weeks: it was there first.
      def ahead(week) = @ahead.select { |one| one.date > @calendar.days(week).last }

      # Where a coach put them, and tests on their day, if they may lie there.
      # @param refusals [Hash{Object => Array<Reason>}] why something can't, by training
      def fixed(week, refusals)
        days = @calendar.days(week)
        @fixed
          .select { |wish| days.include?(wish.date) }
          .each_with_object([]) do |wish, placed|
            planned = put(wish, after: placed) or next
            reason =
              Planner.refusal(
                Placing.new(
                  planned,
                  week: week,
                  calendar: @calendar,
                  walls: @walls,
                  placed: placed,
                  before: @placed + ahead(week)
                )
              )
            reason ? refusals[wish.key] << reason : placed << planned
          end
      end

      # At the rung that is to be expected now.
      def put(wish, after: []) = laid(wish.with(rung: nil), after: after)&.with(fixed: true)

      # A test that has an hour needs no slot.
      # @return [Planned, nil] nil where there is no such slot, or no dose
      def laid(wish, after: [])
        training = [*@trainings, TEST].find { |one| one.key == wish.key } or return
        return if training.standing.nil? && !training.test?

        slot =
          @slots.find { |one| one.day == wish.date.cwday && (wish.at_min.nil? || one.at_min == wish.at_min) } ||
          (training.test? && wish.at_min && Slot.new(day: wish.date.cwday, at_min: wish.at_min, minutes: TEST_S / 60))
        return unless slot

        berth = Berth.new(date: wish.date, slot: slot, begins: @calendar.moment(wish.date, slot.at_min))
        expectation = @expectations.fetch(training.key)
        course =
          if wish.rung
            expectation.at(wish.rung)
          else
            expectation.following(
              after.select { |one| one.key == wish.key }.map(&:course),
              wish.date,
              @calendar,
              @calendar.week_of(wish.date),
              still: true
            )
          end
        Planned.new(training: training, berth: berth, course: course)
      end

      # Asked once more, each with all that lies before it: what readiness would refuse is not planned. Whoever comes
      # back is put lower.
      def sound(placed, search)
        placed.each_with_object([]) do |one, kept|
          ready = @walls.ready(one, @placed + kept)
          reason = @walls.refusal(ready, one.date)
          next search.refusals[one.key] << reason if reason

          lowered =
            Planned.new(
              training: one.training,
              berth: one.berth,
              begins: one.begins,
              fixed: one.fixed,
              course: lowered(one, ready, kept),
              ready: ready
            )
          too_long = too_long(lowered, placed)
          too_long ? search.refusals[one.key] << too_long : kept << lowered
        end
      end

      # A lower rung may take longer: its rests are.
      def too_long(lowered, placed)
        others = placed.select { |one| one.berth == lowered.berth && one.key != lowered.key }
        Rules::SlotMinutes.check(Placing.new(lowered, week: 0, calendar: @calendar, walls: @walls, placed: others))
      end

      # @param kept [Array<Planned>] of the same week before it: once lowered, the others of that training go on from
      #   there
      def lowered(one, ready, kept)
        before = kept.reverse.find { |other| other.key == one.key }&.course
        return before if before&.lowered
        return one.course if ready.dose.nil? || ready.dose == one.course.dose

        Expectation.course(
          one.training.protocol.bound(ready.dose),
          ready.standing.rung,
          ready.dose,
          washout: one.course.washout
        ).with(lowered: true)
      end

      def keep(week, placed)
        placed.group_by(&:key).each { |key, own| @expectations.fetch(key).placed(own.map(&:course)) }
        @walls.week_planned(week, placed)
        @placed += placed
        @by_week = nil
      end

      def tell_missing(week, asked, placed, search)
        @trainings.each do |training|
          missing =
            @calendar.times(training, week) - placed.count { |one| one.key == training.key } - done(training, week)
          next unless missing > 0

          @unplaced << Unplaced.new(
            week: @calendar.days(week).first,
            training: training,
            missing: missing,
            reasons: reasons(week, training, asked, search)
          )
        end
        if test_events(week).any? { |event| event.date >= @since } && placed.none? { |one| one.training.test? }
          @unplaced << Unplaced.new(
            week: @calendar.days(week).first,
            training: TEST,
            missing: 1,
            reasons: EntryWords.uniq(search.refusals[TEST.key]).then { |found|
              found.empty? ? [EntryWords::NO_SLOT] : found
            }
          )
        end
      end

      # What never opens comes before what opens later.
      def barred(training) =
        @screen&.barred(training.activity.column)&.then { |words| Reason.new(rule: "block.screening", text: words) }

      def reasons(week, training, asked, search)
        unless training.standing
          return [Reason.new(rule: "measure", text: training.refusal || "The measures do not offer it.")]
        end

        times = @calendar.times(training, week)
        easy =
          if times < training.times
            [Reason.new(rule: "easy.times", text: "An easy week: #{times} of #{training.times}.")]
          end
        found = EntryWords.uniq(search.refusals[training.key])
        [barred(training), *easy, *found].compact.uniq(&:rule).then { |all| all.empty? ? [EntryWords::NO_SLOT] : all }
      end
    end
  end
end
