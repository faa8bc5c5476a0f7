# frozen_string_literal: true

module Windlass
  # Puts together what the planner is asked, for many athletes with a few queries.
  class Programmes
    # As far back as a week's line looks.
    HELD_DAYS = 7 * Progression::Record::RAMP_WEEKS

    # @param athletes [Array<Records::Athlete>]
    # @param now [Time]
    def initialize(athletes, now:)
      @athletes = athletes
      @situations = Situations.of(athletes, now: now)
      @now = now
      @today = now.to_date
      @memo = {}
    end

    # @param programme [Records::Programme] of one of the athletes
    # @return [Programme::Planner] from today on, or from the programme's first day
    def planner(programme)
      ahead = ahead(programme)
      Programme::Planner.new(
        programme.to_calendar,
        slots: programme.slots,
        trainings: trainings(programme),
        ground: @situations.ground(programme.athlete_id),
        memo: @memo,
        before: ahead.map(&:to_wish),
        fixed: ahead.select(&:fixed).map(&:to_wish),
        since: [@today, programme.starts_on].max,
        now: @now,
        held: held(programme),
        done: done(programme)
      )
    end

    # What is still to come: what lies before today, or was done today, stays as it was.
    # @return [Array<Records::PlannedSession>]
    def ahead(programme)
      done = done(programme)
      programme.planned_sessions.select do |one|
        one.local_date >= [@today, programme.starts_on].max && !done.fetch(one.key, []).include?(one.local_date)
      end
    end

    # @return [Array<Programme::Training>]
    def trainings(programme) = programme.trainings.includes(:prescription).map { |one| training(one) }

    private

    def training(one)
      prescription = one.prescription
      prescription.association(:athlete).target = one.programme.athlete
      unless prescription.quiet? || prescription.state == "ended"
        standing =
          prescription.to_standing(
            on: @today,
            values: @situations.values(prescription.athlete_id)
          )
      end
      Programme::Training.new(
        key: prescription.id,
        protocol: prescription.to_protocol,
        standing: standing,
        times: one.times_a_week,
        refusal: (refusal(prescription) unless standing),
        clean: standing ? clean(prescription, standing) : 0
      )
    end

    # @return [Integer] sessions in a row that verdicts counted on this rung
    def clean(prescription, standing)
      @clean_rows ||= Records::Move.clean_row(@athletes.map(&:id), on: @today)
      @clean_rows
        .fetch(prescription.id, [])
        .take_while { |dose| standing.protocol.same_dose?(dose, standing.dose) }
        .size
    end

    def refusal(prescription)
      return "It is not prescribed any more." if prescription.state == "ended"
      return prescription.quiet_words if prescription.quiet?

      prescription.to_protocol.lacking(@situations.values(prescription.athlete_id)) ||
        "The measures do not offer this protocol any more."
    end

    # @return [Hash{Date => Float}] seconds held by day
    def held(programme)
      from = programme.starts_on - HELD_DAYS
      Records::Round
        .joins(:session)
        .where(
          sessions: {
            athlete_id: programme.athlete_id,
            local_date: from..@today,
            state: Records::Session::OVER,
            discarded_at: nil
          }
        )
        .where.not(hold: nil)
        .group("sessions.local_date")
        .sum(:held_ms)
        .to_h { |date, ms| [date.to_date, ms / 1000.0] }
    end

    # @return [Hash{Integer => Array<Date>}] days of the programme on which it was done, by prescription
    def done(programme)
      (@done ||= {})[programme.id] ||= Records::Session
        .days_done([programme.athlete_id], programme.starts_on..@today)
        .group_by(&:first)
        .transform_values { |rows| rows.map(&:last) }
    end
  end
end
