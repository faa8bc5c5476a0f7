# frozen_string_literal: true

module Windlass
  module Programme
    # One week: the trainings one after the other, the most bound first; of the ways to place them so far the best few
    # are gone on with.
    class WeekSearch
      # Ways that are gone on with.
      BEAM = 2
      NOON_MIN = 12 * 60

      # A way to fill the week so far. cost: what is wanted less, in the order of the wants.
      Way = Value.define(:placed, :cost)

      # @param week [Integer]
      # @param before [Array<Planned>] of the weeks before
      # @param expectations [Hash{Object => Expectation}] by training
      # @param wishes [Hash{Object => Array<Wish>}] where sessions were, by training
      # @param ahead [Array<Planned>] that lie fixed in the weeks after
      # @param opens [Time] nothing is planned before it
      def initialize(week, calendar:, slots:, walls:, before:, expectations:, opens:, ahead: [], wishes: {})
        @week = week
        @calendar = calendar
        @walls = walls
        @before = before
        @ahead = ahead
        @expectations = expectations
        @wishes = wishes
        @berths =
          calendar
            .days(week)
            .flat_map do |date|
              slots
                .select { |slot| slot.day == date.cwday }
                .map { |slot| Berth.new(date: date, slot: slot, begins: calendar.moment(date, slot.at_min)) }
            end
            .select { |berth| berth.begins >= opens }
        @free_days =
          [*calendar.days(week), calendar.days(week).last + 1]
            .reject { |date| slots.any? { |slot| slot.day == date.cwday } && !calendar.away?(date) }
            .to_set(&:jd)
        @refusals = Hash.new { |known, key| known[key] = [] }
      end

      # @return [Hash{Object => Array<Reason>}] why a training did not come as often as asked, by training
      attr_reader :refusals

      # @param trainings [Hash{Training => Integer}] how often each is asked for
      # @param fixed [Array<Planned>] that lie where they lie
      # @return [Array<Planned>] in order of time
      def best(trainings, fixed: [])
        Sharing.in_turn(fair(trainings, fixed).placed)
      end

      private

      # The most bound first: a test, what is strenuous, what over-breathes, what comes once a day.
      def in_order(trainings)
        trainings.sort_by.with_index do |(training, times), index|
          activity = training.activity
          [
            training.test? ? 0 : 1,
            activity.strenuous? ? 0 : 1,
            activity.over_breathing? ? 0 : 1,
            activity.once_a_day? ? 0 : 1,
            -times,
            index
          ]
        end
      end

      # As many as there is room for; and where one that has room of its own was left out for more than half of another,
      # that other is halved first, if no fewer are placed then.
      def fair(trainings, fixed)
        start = Way.new(placed: fixed, cost: [0] * 5)
        most = filled(trainings, start)
        left_out = left_out(trainings, most)
        return most if left_out.empty?

        halved =
          trainings.to_h { |training, times| [training, left_out.include?(training) ? times : (times / 2.0).ceil] }
        other = filled(trainings, filled(halved, start))
        (other.placed.size >= most.placed.size && left_out(trainings, other).size < left_out.size) ? other : most
      end

      def left_out(trainings, way) =
        trainings.keys.select do |training|
          trainings[training] > 0 && open_berths(training).any? && way.placed.none? { |one| one.key == training.key }
        end

      # @param start [Way] to be filled up
      # @return [Way]
      def filled(trainings, start)
        in_order(trainings)
          .reduce([start]) do |ways, (training, times)|
            found = ways.flat_map { |way| placed(way, training, times) }
            most = found.map { |way| way.placed.size }.max
            found.select { |way| way.placed.size == most }.min_by(BEAM, &:cost)
          end
          .first
      end

      # Placed anew, but for what lies fixed.
      # @return [Array<Way>] with that training as often as it goes
      def placed(way, training, times)
        own, others = way.placed.partition { |one| one.key == training.key && !one.fixed }
        without = way.with(placed: others)
        fixed = others.select { |one| one.key == training.key }
        open = open_berths(training)
        lie = fixed.map(&:jd)
        days = open.keys.sort - lie - @walls.done.fetch(training.key, []).map(&:jd)
        laid = {[] => []}
        [times - fixed.size, days.size].min
          .downto(own.size + 1) do |size|
            even =
              days
                .combination(size)
                .sort_by do |some|
                  [
                    uneven(training, lie.empty? ? some : (some + lie).sort, times),
                    heavy(training, some),
                    moved(training, some),
                    some
                  ]
                end
            found = even.lazy.filter_map { |some| with(without, training, some, open, times, laid) }.first(BEAM)
            return found if found.any?
          end
        [way]
      end

      # Where it may lie whatever else is planned, by day: days are numbers, choices of them are compared by the
      # thousand.
      def open_berths(training)
        (@open ||= {})[training.key] ||= begin
          course =
            @expectations.fetch(training.key).following([], @calendar.days(@week).first, @calendar, @week, still: true)
          wished = @wishes.fetch(training.key, [])
          open =
            @berths.select do |berth|
              note(training, first_reason(Rules::ALONE, placing(training, berth, course, []))).nil?
            end
          open
            .group_by(&:jd)
            .transform_values { |berths| berths.sort_by { |berth| preference(training, berth, wished) } }
        end
      end

      def preference(training, berth, wished)
        [
          (wished.any? { |wish| wish.date == berth.date && wish.at_min == berth.slot.at_min }) ? 0 : 1,
          (early?(training) && berth.slot.at_min >= NOON_MIN) ? 1 : 0,
          berth.slot.minutes,
          berth.slot.at_min
        ]
      end

      def early?(training) = training.activity.over_breathing?

      # @return [Way, nil] with sessions on all these days
      def with(way, training, days, open, times, laid)
        own = lay(way, training, days, open, laid)
        own && Way.new(placed: way.placed + own, cost: cost(way, training, own, times))
      end

      # What begins in the same way is laid once.
      # @return [Array<Planned>, nil] nil where one of these days has no room
      def lay(way, training, days, open, laid)
        laid.fetch(days) do
          own = lay(way, training, days[0...-1], open, laid)
          laid[days] = own && one_more(way, training, open.fetch(days.last), own)
        end
      end

      # A step may be more to hold than there may be: then it comes without.
      def one_more(way, training, berths, own)
        expectation = @expectations.fetch(training.key)
        others = way.placed + own
        [false, true].each do |still|
          course = expectation.following(own.map(&:course), berths.first.date, @calendar, @week, still: still)
          berth =
            berths.find do |one|
              note(training, first_reason(Rules::AMONG, placing(training, one, course, others))).nil?
            end
          return own + [planned(training, berth, course)] if berth
          break unless course.stepped
        end
        nil
      end

      # Of other weeks only what a rule may still look at.
      def near =
        @near ||=
          (@before + @ahead).select do |one|
            one.jd.between?(
              @calendar.days(@week).first.jd - Walls::FAR_DAYS,
              @calendar.days(@week).last.jd + Walls::FAR_DAYS
            )
          end

      def placing(training, berth, course, placed) =
        Placing.new(
          planned(training, berth, course),
          week: @week,
          calendar: @calendar,
          walls: @walls,
          placed: placed,
          before: near
        )

      # One for each course in each berth: ways share them.
      def planned(training, berth, course)
        of_berth = (@planned ||= {}.compare_by_identity)[berth] ||= {}.compare_by_identity
        of_berth[course] ||= Planned.new(training: training, berth: berth, course: course)
      end

      def first_reason(rules, placing)
        rules.each { |rule| (reason = rule.check(placing)) && (return reason) }
        nil
      end

      def note(training, reason)
        @refusals[training.key] << reason if reason
        reason
      end

      # Unevenness, what is late in the day, what is heavy before another day of training, what moved.
      def cost(way, training, own, times)
        late = own.count { |one| early?(training) && one.berth.slot.at_min >= NOON_MIN }
        days = own.map(&:jd)
        [
          uneven(training, days, times),
          late,
          heavy(training, days),
          moved(training, days),
          days.sum { |day| day - first_jd }
        ].zip(way.cost).map(&:sum)
      end

      # Strenuous days before another day of training.
      def heavy(training, days) =
        training.activity.strenuous? ? days.count { |day| !@free_days.include?(day + 1) } : 0

      # Days on which it was planned before, and is not now. Asked for every choice of days.
      def moved(training, days) = wished_days(training).count { |day| !days.include?(day) }

      def wished_days(training) =
        (@wished_days ||= {})[training.key] ||= @wishes
          .fetch(training.key, [])
          .map { |wish| wish.date.jd }
          .select { |day| day.between?(first_jd, first_jd + 6) }

      # How far the days between sessions are from even ones, whole days squared. A test comes first thing.
      def uneven(training, days, times)
        return days.sum { |day| day - first_jd } if training.test?

        ideal = 7.0 / [times + done_here(training), 1].max
        before = last_day(training)
        days.sum do |day|
          apart = before ? (day - before - ideal).abs.floor**2 : 0
          before = day
          apart
        end
      end

      def first_jd = @first_jd ||= @calendar.days(@week).first.jd

      # @return [Integer, nil] of the newest session before this week, or in it
      def last_day(training)
        @last ||= @before.to_h { |one| [one.key, one.jd] }
        [@last[training.key], @walls.done[training.key]&.max&.jd].compact.max
      end

      # @return [Integer] so often it was done in this week already
      def done_here(training) =
        (@done_here ||= {})[training.key] ||= @walls
          .done
          .fetch(training.key, [])
          .count { |date| @calendar.days(@week).include?(date) }
    end

    # Several sessions in one slot, one after the other.
    module Sharing
      # @param placed [Array<Planned>]
      # @return [Array<Planned>] in order of time, each begun after those before it in its slot
      def self.in_turn(placed)
        placed
          .group_by(&:berth)
          .values
          .flat_map { |beside| one_after_the_other(beside.sort_by(&:place_in_slot)) }
          .sort_by { |one| [one.begins, one.place_in_slot] }
      end

      def self.one_after_the_other(beside)
        begins = beside.first.berth.begins
        beside.map { |one| one.with(begins: begins).tap { begins += (one.in_slot_s/60r).ceil * 60 } }
      end
      private_class_method :one_after_the_other
    end
  end
end
