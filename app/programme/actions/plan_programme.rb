# frozen_string_literal: true

module Windlass
  module Actions
    # Plans weeks for athletes, and plans them anew from today on.
    module PlanProgramme
      # A programme for each, which waits: {.fill} places its sessions, one after the other, and only then what they had
      # ends.
      # @param times [Hash{Integer => Integer}] times a week, by prescription; 0 is left out
      # @return [Array<Records::Programme>]
      # @raise [Error]
      def self.begin(athletes, times:, starts_on:, weeks:, easy_every:, now:, group: nil)
        account_id = athletes.first&.account_id or raise Error, "Nobody is in this group yet."
        Records::Record.transaction do
          planned =
            athletes.filter_map do |athlete|
              chosen = athlete.prescriptions.open.where(id: times.select { |_, count| count > 0 }.keys)
              next if chosen.empty?

              Records::Programme.waiting.where(athlete_id: athlete.id).update_all(ended_at: now)
              programme =
                Records::Programme.create!(
                  account_id: account_id, athlete: athlete, group: group, starts_on: starts_on, weeks: weeks,
                  easy_every: easy_every, planned_at: now, waits: true
                )
              chosen.each do |prescription|
                programme.trainings.create!(prescription: prescription, times_a_week: times.fetch(prescription.id))
              end
              programme
            end
          raise Error, "Nothing was chosen: give at least one protocol a number of times a week." if planned.empty?

          planned
        end
      end

      # Finds the places, or finds them anew from today on. What lies before today stays as it was.
      # @param programmes [Programmes]
      # @return [Records::Programme]
      def self.fill(programme, now:, programmes: Programmes.new([programme.athlete], now: now))
        planner = programmes.planner(programme)
        plan = planner.plan
        programme.transaction do
          take_over(programme, now) if programme.waits
          write(programme, plan, programmes.ahead(programme))
          programme.update!(
            waits: false,
            planned_at: now,
            left_out: plan.unplaced.map { |one| left_out(one) },
            loads: plan.weeks.map { |week| load(week) }
          )
        end
        programme
      end

      # What was before ends; until the new one begins, what was planned before is followed.
      def self.take_over(programme, now)
        before = Records::Programme.open.find_by(athlete_id: programme.athlete_id) or return
        before.update!(ended_at: now)
        before
          .planned_sessions
          .where(local_date: now.to_date...programme.starts_on)
          .update_all(programme_id: programme.id)
        programme.planned_sessions.reset
      end

      # What the weeks come to after a move.
      def self.weigh(programme, programmes)
        programme.update!(
          loads:
            programmes.planner(programme).weeks_of(programmes.ahead(programme).map(&:to_wish)).map { |week| load(week) }
        )
      end

      def self.load(week) =
        {from: week.from, hold_s: week.hold_seconds.round, easy: week.easy, limit_s: week.limit_s&.floor}

      # So many at once as a page may wait for; what they have in common is asked once.
      AT_ONCE = 8

      # @param waiting [Array<Records::Programme>] not filled yet
      def self.fill_some(waiting, now:)
        some = waiting.first(AT_ONCE)
        programmes = Programmes.new(some.map(&:athlete), now: now)
        some.each { |programme| fill(programme, now: now, programmes: programmes) }
      end

      def self.left_out(one) =
        {
          week: one.week,
          prescription_id: (one.training.key unless one.training.test?),
          name: one.training.name,
          missing: one.missing,
          reasons: one.reasons.map(&:to_h)
        }

      # Calendars know a session by its name: one that only moves keeps it.
      # @param old [Array<Records::PlannedSession>] what was still to come
      def self.write(programme, plan, old)
        difference = Windlass::Programme::Difference.new(old, plan)
        Records::PlannedSession.where(id: difference.gone.map(&:id)).delete_all if difference.gone.any?
        # Many weeks have the same dose: it is put into words once.
        words = {}.compare_by_identity
        difference.pairs.each { |entry, one| change(one, entry, words) if one }
        fresh =
          difference.fresh.map do |entry|
            whose = {programme_id: programme.id, athlete_id: programme.athlete_id}
            {**columns(entry, words), uuid: SecureRandom.uuid, **whose}
          end
        Records::PlannedSession.insert_all!(fresh) if fresh.any?
        programme.planned_sessions.reset
      end

      def self.change(one, entry, words)
        one.assign_attributes(columns(entry, words))
        one.sequence += 1 if one.local_date_changed? || one.at_min_changed?
        one.assign_attributes(moved_from_on: nil, moved_from_min: nil) unless entry.fixed
        one.save! if one.changed?
      end

      def self.columns(entry, words)
        {
          prescription_id: (entry.training.key unless entry.training.test?),
          local_date: entry.date,
          at_min: minutes(entry.at),
          begins_min: minutes(entry.begins),
          slot_minutes: entry.minutes,
          place: entry.place.to_s,
          rung: entry.rung,
          expected: entry.expected,
          light: entry.light,
          apart: entry.apart,
          fixed: entry.fixed,
          seconds: entry.seconds,
          hold_seconds: entry.hold_seconds,
          dose_words: dose_words(entry, words),
          reasons: entry.reasons.map(&:to_h)
        }
      end

      def self.dose_words(entry, words)
        return "" if entry.dose.nil?

        words[entry.dose] ||= entry.training.protocol.bound(entry.dose).in_short(entry.dose)
      end

      def self.minutes(clock) =
        clock.split(":").map { |part| Integer(part, 10) }.then { |hours, minutes| hours * 60 + minutes }
      private_class_method :take_over, :left_out, :load, :write, :change, :columns, :dose_words, :minutes
    end
  end
end
