# frozen_string_literal: true

module Windlass
  # Puts together what readiness looks at, for many athletes with a few queries.
  class Situations
    # Nothing that the rules ask of single sessions is older; of each protocol the newest session is looked up besides.
    RECENT_DAYS = 3
    # A maximal test keeps the next one away for a week.
    TEST_DAYS = Progression::Readiness::MAXIMAL_DAYS + 1
    MORNING_DAYS = Progression::Readiness::LIGHT_DAYS + 2
    ILLNESS_DAYS = 60
    CHEST_DAYS = Progression::Readiness::CALM_DAYS.fetch(true)

    # @param athletes [Array<Records::Athlete>]
    # @param now [Time]
    def initialize(athletes, now:)
      @athletes = athletes
      @now = now
      @today = now.to_date
    end

    # @return [Measures::Values] what this athlete's doses are computed from
    def values(athlete) = (@values ||= Records::Measure.newest_values(@athletes)).fetch(athlete.id)

    # @param prescription [Records::Prescription] of one of the athletes, which it has loaded
    # @return [Progression::Ready]
    def ready(prescription, standing)
      Progression::Readiness.of(of(prescription.athlete, standing.protocol, standing: standing))
    end

    # @param activity [Protocols::Protocol, Progression::Activity]
    # @return [Progression::Situation]
    def of(athlete, activity, standing: nil)
      day = days[[athlete.id, @today]]
      Progression::Situation.new(**ground(athlete), date: @today, now: @now, activity: activity, standing: standing,
        answers: day ? day.to_answers : [], watcher: day&.watcher, oximeter: day&.oximeter || false,
        care: standing&.ladder&.care?(standing.rung) || false, forecast_washout: washout(athlete, standing, day))
    end

    # What is known of an athlete, whatever is asked about and when.
    # @return [Hash] of a {Progression::Situation}
    def ground(athlete)
      suspension = athlete.suspension_on(@today)
      {screen: athlete.to_screen(on: @today), stopped: (suspension.reason if suspension&.stop?), resting_until: (suspension.until_on if suspension && !suspension.stop?),
       movement_fault: lately.fetch(athlete.id).movement_fault, mornings: mornings(athlete), context: context(athlete), history: lately.fetch(athlete.id).history, illness: illness(athlete), measures: values(athlete)}
    end

    private

    def ids = @athletes.map(&:id)

    def days
      @days ||= Records::Day.where(athlete_id: ids, local_date: (@today - ILLNESS_DAYS)..@today).index_by { |day| [day.athlete_id, day.local_date] }
    end

    # A chest illness stays one, whether or not every day of it says so again.
    def illness(athlete)
      ill = (@ill ||= days.values.select { |day| day.says?(:unwell) }.group_by(&:athlete_id)).fetch(athlete.id, [])
      newest = ill.map(&:local_date).max
      newest && Progression::Illness.new(last_day: newest, chest: ill.any? { |day| day.chest && day.local_date > newest - CHEST_DAYS })
    end

    # A fall that is expected, or a measure that is paused, asks for no light day.
    def context(athlete) = Measures::Context.new(use: athlete.control_pause_use.to_sym, sleep_signs: athlete.sleep_signs)

    def mornings(athlete) = (@mornings ||= Records::Measure.morning_series(ids, since: @today - MORNING_DAYS)).fetch(athlete.id)

    def over_breathed_today?(athlete) = lately.fetch(athlete.id).history.any? { |past| past.date == @today && past.over_breathed }

    # What was run, tested and sat out in the cold lately, and what was wrong when the breathing movement was looked at last.
    Lately = Value.define(:history, :movement_fault)
    LATELY = Kept.new(1_000)

    # @return [Hash{Integer => Lately}]
    def lately
      @lately ||= Records::Athlete.by_mark(LATELY, ids, @today.jd) do |some|
        past = (Records::Session.outlines(some, since: @today - RECENT_DAYS) + tests(some) + colds(some)).group_by(&:first)
        faults = Records::Measure.newest_movements(some).transform_values { |details| Measures::BreathingMovement.fault(details) }
        some.to_h { |id| [id, Lately.new(history: past.fetch(id, []).map(&:last).freeze, movement_fault: faults[id])] }
      end
    end

    def colds(some)
      Records::Cold.where(athlete_id: some, local_date: (@today - 1)..).map do |cold|
        [cold.athlete_id, Progression::Outline.new(id: "cold #{cold.id}", date: cold.local_date, protocol: Progression::COLD.id, ended_at: cold.ended_at.getlocal)]
      end
    end

    def tests(some)
      since = @today - TEST_DAYS
      Records::Measure.where(athlete_id: some, kind: "maximal_hold", taken_at: Time.new(since.year, since.month, since.day)..).map do |test|
        at = test.taken_at.getlocal
        [test.athlete_id, Progression::Outline.new(id: "test #{test.id}", date: at.to_date, protocol: Progression::MAXIMAL_TEST.id, ended_at: at)]
      end
    end

    # Asked of the model only where the answer matters: water is planned, or over-breathing was done today.
    def washout(athlete, standing, day)
      matters = day&.says?(Progression::TodaysQuestions::WATER) || over_breathed_today?(athlete)
      return unless standing && matters

      Forecasts.outlook(athlete, on: @today, values: values(athlete))&.strongest_washout(standing.protocol, standing.dose)
    end
  end
end
