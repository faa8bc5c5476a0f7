# frozen_string_literal: true

require "digest"
require "json"

module Windlass
  module Actions
    # Lays out what an athlete may run alone on the days to come, for their phone to take along. Where nothing changed
    # it is the same as before. What needs somebody beside is not among it: that asks for a network.
    module LaySets
      # situation: as that day is known now. ready: what readiness says of it. lighter: what comes of a low score of the
      # morning, nil where none would change the day.
      Row = Value.define(:set, :situation, :ready, lighter: nil)
      # at_most_s: the score. set: what is done then; nil where it is nothing, for these reasons.
      Lighter = Value.define(:at_most_s, :reasons, set: nil)

      DAYS = 7
      # At noon of a day to come.
      NOON_S = 12 * 3600

      # @return [Array<Row>] in the order of the days
      def self.call(athlete, now:)
        today = now.to_date
        return [] if Consents.missing?(athlete, today) || athlete.stop_on(today)

        plans = LaidPlans.new(athlete, now)
        drafts = drafts(athlete, plans, now)
        sets = plans.keep
        drafts.map { |draft| draft.with(set: sets.fetch(draft.set), lighter: lit(draft.lighter, sets)) }
      end

      def self.lit(lighter, sets) = lighter&.with(set: lighter.set && sets.fetch(lighter.set))

      # @return [Array<Row>] whose sets are still plans
      def self.drafts(athlete, plans, now)
        open = athlete.prescriptions.open.order(:id).select { |one| !one.quiet? && !one.to_protocol.watched? }
        planned = planned(athlete, now.to_date)
        (now.to_date...(now.to_date + DAYS)).flat_map do |date|
          at = (date == now.to_date) ? now : date.to_time + NOON_S
          some = planned ? open.select { |one| planned.fetch(date, []).include?(one.id) } : open
          next [] if some.empty?

          situations = Situations.of([athlete], now: at)
          some.filter_map { |one| draft(one, plans, situations, at) }
        end
      end

      # @return [Hash{Date => Array<Integer>}, nil] prescriptions by day; nil where no weeks are planned
      def self.planned(athlete, today)
        programme = Records::Programme.open.where(athlete_id: athlete.id)
        return if programme.none?

        Records::PlannedSession
          .where(programme_id: programme.select(:id), local_date: today...(today + DAYS))
          .pluck(:local_date, :prescription_id).group_by(&:first).transform_values { |all| all.map(&:last) }
      end

      # @return [Row, nil] nil where it is none for that day
      def self.draft(prescription, plans, situations, at)
        # Marks of a deck that runs are not to wait for a week that is laid out.
        Thread.pass
        values = situations.values(prescription.athlete_id)
        standing = prescription.to_standing(on: at.to_date, values: values) or return
        return if standing.ladder.care?(standing.rung)

        situation = situations.of(prescription.athlete_id, standing.protocol, standing: standing)
        ready = Progression::Readiness.of(situation)
        return unless later_today?(ready, at)

        plan = ->(as) { plans.add(prescription, as, standing, at) }
        Row.new(set: plan.call(ready), situation: situation, ready: ready, lighter: lighter(situation, &plan))
      end

      # @return [Lighter, nil]
      def self.lighter(situation)
        limit = Queries::MorningLimit.of(situation) or return
        ready = Progression::Readiness.of(Queries::MorningLimit.scored(situation, limit))
        Lighter.new(at_most_s: limit, reasons: ready.reasons, set: (yield(ready) if ready.go?))
      end

      # @return [Boolean] it may be begun, if not at once then later on the same day
      def self.later_today?(ready, at) =
        ready.reasons.reject(&:go?).all? { |one| one.opens && one.opens < (at.to_date + 1).to_time.to_f }

      private_class_method :lit, :drafts, :planned, :draft, :lighter, :later_today?
    end
  end
end
