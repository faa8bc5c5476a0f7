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

        Records::LaidSet.where(athlete_id: athlete.id, local_date: ...(today - Records::LaidSet::KEPT_DAYS)).delete_all
        planned = planned(athlete, today)
        (today...(today + DAYS)).flat_map do |date|
          at = (date == today) ? now : date.to_time + NOON_S
          situations = Situations.of([athlete], now: at)
          of_day(athlete, planned, date).filter_map { |one| lay(one, situations, at, now) }
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

      def self.of_day(athlete, planned, date)
        open = athlete.prescriptions.open.order(:id).select { |one| !one.quiet? && !one.to_protocol.watched? }
        planned ? open.select { |one| planned.fetch(date, []).include?(one.id) } : open
      end

      # @return [Row, nil] nil where it is none for that day
      def self.lay(prescription, situations, at, now)
        values = situations.values(prescription.athlete_id)
        standing = prescription.to_standing(on: at.to_date, values: values) or return
        return if standing.ladder.care?(standing.rung)

        situation = situations.of(prescription.athlete_id, standing.protocol, standing: standing)
        ready = Progression::Readiness.of(situation)
        return unless later_today?(ready, at)

        kept = ->(as) { keep(PlanSession.columns(prescription, as, standing, at), prescription, now) }
        Row.new(set: kept.call(ready), situation: situation, ready: ready, lighter: lighter(situation, &kept))
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

      def self.keep(columns, prescription, now)
        timeline = Records::KeptTimeline.of(columns.delete(:segments))
        columns = columns.except(:planned_at, :athlete)
        columns.update(timeline_id: timeline.id, athlete_id: prescription.athlete_id)
        digest = Digest::SHA256.hexdigest(JSON.generate(columns.sort_by { |name, _| name.to_s }))[0, 32]
        found = {prescription_id: prescription.id, local_date: columns.fetch(:local_date), digest: digest}
        Records::LaidSet.find_by(found) ||
          Records::LaidSet.create!(columns.merge(found, uuid: SecureRandom.uuid, laid_at: now))
      rescue ActiveRecord::RecordNotUnique
        Records::LaidSet.find_by!(found)
      end
      private_class_method :planned, :of_day, :lay, :lighter, :later_today?, :keep
    end
  end
end
