# frozen_string_literal: true

module Windlass
  # Puts together what readiness looks at, for many athletes with a few queries: what is known of them, and what they
  # say themselves.
  class Situations
    ILLNESS_DAYS = 60
    CHEST_DAYS = Progression::Readiness::CALM_DAYS.fetch(true)

    # @param athletes [Array<Records::Athlete>]
    # @param now [Time]
    def self.of(athletes, now:) = new(Reading.of(athletes.map(&:id), now.to_date), now: now)

    # @param known [Hash{Integer => Snapshot}] by athlete
    # @param now [Time]
    def initialize(known, now:)
      @known = known
      @now = now
      @today = now.to_date
    end

    # @return [Measures::Values] what this athlete's doses are computed from
    def values(athlete_id) = @known.fetch(athlete_id).measures

    # @return [Progression::Ready]
    def ready(athlete_id, standing)
      Progression::Readiness.of(of(athlete_id, standing.protocol, standing: standing))
    end

    # @param activity [Protocols::Protocol, Progression::Activity]
    # @return [Progression::Situation]
    def of(athlete_id, activity, standing: nil)
      day = said(athlete_id)
      Progression::Situation.new(
        **ground(athlete_id),
        date: @today,
        now: @now,
        activity: activity,
        standing: standing,
        answers: day ? day.to_answers : [],
        watcher: day&.watcher,
        oximeter: day&.oximeter || false,
        care: standing&.ladder&.care?(standing.rung) || false,
        forecast_washout: washout(athlete_id, standing, day)
      )
    end

    # What is known of an athlete, whatever is asked about and when.
    # @return [Hash] of a {Progression::Situation}
    def ground(athlete_id) = {**@known.fetch(athlete_id).ground, illness: illness(athlete_id)}

    # @return [Records::Day, nil] what was said today; nil where nothing was
    def said(athlete_id) = days.fetch(athlete_id, []).find { |day| day.local_date == @today }

    private

    # @return [Hash{Integer => Array<Records::Day>}] today's, and those on which somebody was ill
    def days
      @days ||=
        Records::Day.where(athlete_id: @known.keys, local_date: (@today - ILLNESS_DAYS)..@today).group_by(&:athlete_id)
    end

    # A chest illness stays one, whether or not every day of it says so again.
    def illness(athlete_id)
      ill = days.fetch(athlete_id, []).select { |day| day.says?(:unwell) }
      newest = ill.map(&:local_date).max
      newest &&
        Progression::Illness.new(
          last_day: newest,
          chest: ill.any? { |day| day.chest && day.local_date > newest - CHEST_DAYS }
        )
    end

    def over_breathed_today?(athlete_id) =
      @known.fetch(athlete_id).history.any? { |past| past.date == @today && past.over_breathed }

    # Asked of the model only where the answer matters: water is planned, or over-breathing was done today.
    def washout(athlete_id, standing, day)
      matters = day&.says?(Progression::TodaysQuestions::WATER) || over_breathed_today?(athlete_id)
      return unless standing && matters

      @known.fetch(athlete_id).outlook&.strongest_washout(standing.protocol, standing.dose)
    end
  end
end
