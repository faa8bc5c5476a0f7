# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps sessions that were not run on the deck: with the dose that was prescribed, judged like all others. A line that is written in
    # twice is kept once.
    module WriteIn
      # Where a note does not say when.
      NOON = "12:00"

      # @param entries [Array<Log::Entry>]
      # @return [Array<Records::Session>]
      # @raise [Error] where one has more holds than are planned
      def self.call(prescription, entries, now:)
        prescription.transaction { entries.map { |entry| known(prescription, entry) || keep(prescription, entry, now) } }
          .each { |session| close(session, now) }
      end

      # @return [String] what tells two notes apart
      def self.mark(entry) = Digest::SHA256.hexdigest(JSON.generate(entry.to_h.merge(rounds: entry.rounds.map(&:to_h))))[0, 32]

      def self.known(prescription, entry) = prescription.sessions.find_by(local_date: entry.date, written_in: mark(entry))

      def self.keep(prescription, entry, now)
        columns = PlanSession.written(prescription, on: entry.date, now: now)
        session = prescription.sessions.new(columns.merge(uuid: SecureRandom.uuid, written_in: mark(entry), effort: entry.effort, symptoms: entry.symptoms.map(&:to_s), note: entry.note))
        parts = session.parts
        raise Error, "#{entry.rounds.size} holds are written; planned were #{parts.size}." if entry.rounds.size > parts.size

        session.update!(times(session, entry, now))
        parts.zip(entry.rounds).each.with_index(1) { |(part, round), number| write(session, part, round, number) if round }
        ActOnSymptoms.call(session, entry.symptoms, now: now) if entry.symptoms.any?
        session
      end

      def self.times(session, entry, now)
        began = [Time.local(entry.date.year, entry.date.month, entry.date.day, *(entry.at || NOON).split(":").map { |part| Integer(part, 10) }), now].min
        done_ms = session.to_timeline.total_ms
        {state: "done", started_at: began, ended_at: began + done_ms / 1000.0, done_ms: done_ms}
      end

      def self.write(session, part, round, number)
        hold = part.is_a?(Timeline::Compiled::Placed) ? part.number : nil
        session.rounds.create!(number: number, hold: hold, target_ms: (part.ms unless part.is_a?(Timeline::Compiled::Placed) && part.open?), held_ms: ms(round.held_s), skipped: round.skipped,
          first_breath: round.first_breath, first_urge_ms: ms(round.urge_s), contraction_ms: ms(round.contraction_s), sao2_low: round.sao2_low)
      end

      def self.ms(seconds) = seconds && (seconds * 1000).round

      def self.close(session, now)
        LearnFromLog.call(session.athlete, now: now) if session.rounds.any? { |round| round.first_urge_ms || round.sao2_low }
        Propose.call(session)
      end
      private_class_method :known, :keep, :times, :write, :ms, :close
    end
  end
end
