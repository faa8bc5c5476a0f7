# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps sessions that were not run on the deck: with the dose that was prescribed, judged like all others. A line
    # that is written in twice is kept once. What was done is kept as it was done: more holds than were planned, and
    # what readiness would have refused, with its caution.
    module PastSession
      # Where a note does not say when.
      NOON = "12:00"

      # What is the same for all sets of a day: asked once, however many come in.
      class Ground
        def initialize(now)
          @now = now
          @plans, @cautions = {}, {}
        end

        # @return [Hash] columns of a session
        def plan(prescription, day)
          @plans[[prescription.id, day]] ||= PlanSession
            .written(prescription, on: day, now: @now)
            .then do |columns|
              columns.except(:segments).merge(timeline: Records::KeptTimeline.of(columns.fetch(:segments)))
            end
        end

        # @return [String] empty where nothing stood against it
        def caution(prescription, at)
          @cautions[[prescription.id, at]] ||= Queries::Caution.of(
            prescription.athlete,
            prescription.to_protocol,
            at: at,
            standing: prescription.to_standing(on: at.to_date)
          )
        end
      end

      # @param entries [Array<Log::Entry>]
      # @return [Array<Records::Session>]
      def self.call(prescription, entries, now:)
        Consents.required!(prescription.athlete, now.to_date) unless stops?(entries)
        sessions =
          prescription.transaction do
            entries.map do |entry|
              known(prescription, entry) || keep(prescription, entry, now).tap { |session| act(session, now) }
            end
          end
        sessions.tap { close(sessions, now) }
      end

      # @return [Boolean] one of them stops somebody
      def self.stops?(entries) =
        entries.any? { |entry| entry.symptoms.intersect?(Progression::Symptoms::STOPS.keys) }

      # @return [String] what tells two notes apart
      def self.mark(entry) =
        Digest::SHA256.hexdigest(JSON.generate(entry.to_h.merge(rounds: entry.rounds.map(&:to_h))))[0, 32]

      # What its symptoms bring with them.
      def self.act(session, now) =
        session.symptoms.any? && ActOnSymptoms.call(session, session.symptoms.map(&:to_sym), now: now)

      def self.known(prescription, entry) =
        prescription.sessions.seen.find_by(local_date: entry.date, written_in: mark(entry))

      # @param ground [Ground] of all that come in together
      # @param besides [Hash] further columns
      # @return [Records::Session] kept, and neither judged nor acted upon
      def self.keep(prescription, entry, now, ground: Ground.new(now), **besides)
        session =
          prescription.sessions.new(
            ground.plan(prescription, entry.date).merge(
              uuid: SecureRandom.uuid,
              written_in: mark(entry),
              effort: entry.effort,
              symptoms: entry.symptoms.map(&:to_s),
              note: entry.note
            )
          )
        times = times(session, entry, now)
        session.assign_attributes(
          times.merge(caution: ground.caution(prescription, times.fetch(:started_at)), **besides)
        )
        parts = session.parts
        session.transaction do
          session.save!
          rounds = entry.rounds.map.with_index(1) { |round, number| columns(session, parts[number - 1], round, number) }
          Records::Round.insert_all!(rounds) if rounds.any?
        end
        session.tap { session.rounds.reset }
      end

      def self.times(session, entry, now)
        began = [
          Time.local(
            entry.date.year,
            entry.date.month,
            entry.date.day,
            *(entry.at || NOON).split(":").map { |part| Integer(part, 10) }
          ),
          now
        ].min
        done_ms = session.to_timeline.total_ms
        {state: "done", started_at: began, ended_at: began + done_ms / 1000.0, done_ms: done_ms}
      end

      def self.columns(session, part, round, number)
        sounded = part.is_a?(Timeline::Compiled::Sounded)
        {
          session_id: session.id,
          number: number,
          hold: (sounded ? nil : part&.number || number),
          target_ms: (part&.ms unless part && !sounded && part.open?),
          held_ms: ms(round.held_s),
          skipped: round.skipped,
          first_breath: round.first_breath,
          first_urge_ms: ms(round.urge_s),
          contraction_ms: ms(round.contraction_s),
          sao2_low: round.sao2_low
        }
      end

      def self.ms(seconds) = seconds && (seconds * 1000).round

      # Each day is judged once, however many sessions of it, or around it, came in.
      # @param sessions [Array<Records::Session>] of one prescription
      def self.close(sessions, now)
        learns = sessions.find { |session| session.rounds.any? { |round| round.first_urge_ms || round.sao2_low } }
        LearnFromLog.call(learns.athlete, now: now) if learns
        sessions
          .sort_by(&:local_date)
          .chunk_while { |one, other| one.local_date == other.local_date }
          .map(&:last)
          .slice_when { |one, other| other.local_date - one.local_date > Queries::JudgeDay::HISTORY_DAYS }
          .each { |near| proposed(near) }
      end

      # One look reaches so many days ahead. The next is from the last that it reached, whose own reach goes on, and
      # from the first beyond.
      def self.proposed(near)
        reached = nil
        near.each_with_index do |session, index|
          beyond = reached.nil? || session.local_date > reached
          reached = session.local_date + Queries::JudgeDay::HISTORY_DAYS if beyond
          StoreVerdict.call(session) if beyond || near[index + 1].nil? || near[index + 1].local_date > reached
        end
      end
      private_class_method :known, :times, :columns, :ms, :proposed
    end
  end
end
