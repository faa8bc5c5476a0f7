# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps what the deck sends. Events carry the browser's own uuids: what is here already is passed over, and rounds
    # are always made anew from all events, so the order and number of sendings change nothing.
    module KeepJournal
      # What a coach may have written on the session's sheet, or read from a recorded trace.
      RATED = %i[first_breath sao2_low].freeze
      # What the journal says of a round.
      WRITTEN = Timeline::Replay::Done.members
      # Events from which the model learns.
      TEACHING = %w[first_urge oximeter hold_end].freeze

      # The lock is held for as long as it takes to write; what has to be reckoned comes before and after it. Where
      # nothing is new, nothing is reckoned.
      # @param events [Array<Hash>] of Forms::JournalForm
      # @param told [Hash, nil] where the run stands, for those who follow it: written along
      # @return [Array<String>] uuids that are kept now
      def self.call(session, events, now:, told: nil)
        fresh = []
        session.transaction do
          TellFollowers.call(session, told, now: now)
          fresh = not_here(session, events)
          next if fresh.empty?

          insert(session, fresh, now)
          session.journal_events.reset
          stored = Records::JournalEvent.core_by_session(session.id).fetch(session.id)
          timeline = session.to_paced(stored)
          write_rounds(
            session,
            Timeline::Replay.rounds(timeline, stored, parts: session.to_protocol.judged_parts(timeline))
          )
          write_state(session, stored, fresh, now)
          write_said(session, fresh, now)
          if fresh.any? { |event| event[:kind] == "emergency_note" && event[:value] == Emergency::MEANS_STOP.to_s }
            stop_at_once(session, now)
          end
          stand_lower(session) if session.over?
        end
        close(session, fresh, now: now) if session.over? && fresh.any?
        events.map { |event| event[:uuid] }
      end

      # @return [Array<Hash>] those that are not here yet
      def self.not_here(session, events)
        return [] if events.empty?

        session.lock!
        known = session.journal_events.where(uuid: events.map { |event| event[:uuid] }).pluck(:uuid).to_set
        events.reject { |event| known.include?(event[:uuid]) }
      end

      # Once it is over: what it teaches, and what the judge says of it. A mark that comes later teaches what it can.
      def self.close(session, fresh, now:)
        LearnFromLog.call(session.athlete, now: now) if fresh.any? { |event| TEACHING.include?(event[:kind]) }
        CountFelt.call(session, now: now)
        StoreVerdict.call(session)
      end

      # What was said on the deck: symptoms act at once, the last effort counts, and who had nothing to say was asked.
      def self.write_said(session, fresh, now)
        said = fresh.group_by { |event| event[:kind] }
        noted = [*said["symptom"]].map { |event| event[:value].split(".").first.to_sym }
        effort = said["effort"]&.last&.fetch(:value)
        new = noted - session.symptoms.map(&:to_sym)
        if new.any? || effort
          session.update!(
            symptoms: session.symptoms | noted.map(&:to_s),
            effort: effort ? Integer(effort, 10) : session.effort
          )
        end
        ActOnSymptoms.call(session, new, now: now, where: ", noted on the deck") if new.any?
        keep_day(session, said["asked"].last[:value]) if said["asked"] && unasked?(session)
      end

      # @param answer [String] `nothing`, or what is so, by commas
      def self.keep_day(session, answer)
        KeepDay.call(session.athlete, {answers: answer.split(",") - ["nothing"]}, now: session.planned_at)
      end

      # Nothing was said of the day yet, and it may be written down: the marks of a run come in in any case.
      def self.unasked?(session) =
        session.athlete.day_on(session.local_date).new_record? &&
          !Consents.missing?(session.athlete, session.planned_at.to_date)

      # Who stopped breathing blacked out, whatever else is said of it later.
      def self.stop_at_once(session, now)
        session.update!(symptoms: session.symptoms | [Emergency::STOP_SYMPTOM.to_s])
        OpenStop.call(
          session.athlete,
          "Stopped breathing, noted on the deck on #{Words.date(session.local_date)}.",
          session: session,
          now: now
        )
      end

      # Who came back lower, and did it, stands there from now on.
      def self.stand_lower(session)
        return if session.lowered_to.nil? || !session.to_core.counts?

        session.prescription.update!(dose: session.lowered_to, reduced: false)
        session.update!(lowered_to: nil)
      end

      def self.insert(session, events, now)
        by = Records::Doing.uuid
        rows =
          events.map do |event|
            {
              round: nil, value: nil, received_at: now, marked_by: by,
              **event.slice(:uuid, :kind, :at_ms, :round, :value)
            }
          end
        rows.each_slice(200) { |slice| session.journal_events.insert_all(slice, unique_by: :uuid) }
      end

      # Ratings that the coach made on the session's sheet stand; moments come from the journal. A mark changes a round
      # or two: what is so already is neither made a record nor written.
      def self.write_rounds(session, rounds)
        known = session.rounds.pluck(*WRITTEN).to_h { |row| [row.first, WRITTEN.zip(row).to_h] }
        rounds.each do |done|
          was = known[done.number]
          values = done.to_h.merge(RATED.to_h { |column| [column, done.to_h[column] || was&.fetch(column)] })
          values[:first_breath] = values[:first_breath]&.to_s
          next if values == was

          (was ? session.rounds.find_by!(number: done.number) : session.rounds.build).update!(values)
        end
        session.rounds.reset
      end

      # What was run without a network began and ended when it did, not when it was sent.
      def self.write_state(session, events, fresh, now)
        kinds = events.map(&:kind)
        return unless kinds.include?(:start)

        # A device whose clock was put right in between says how long ago by a clock that was wrong: nothing begins
        # before it was planned.
        session.started_at ||= [moment(fresh, %w[start], now), session.planned_at].max
        session.run_by = Records::Doing.uuid if session.state == "planned"
        session.state = "running" if session.state == "planned"
        session.state = "done" if kinds.include?(:finish)
        session.state = "stopped" if kinds.include?(:stop) && !kinds.include?(:finish)
        session.ended_at ||= [moment(fresh, %w[finish stop], now), session.started_at].max if session.over?
        session.done_ms = ran_ms(events)
        session.save!
      end

      def self.moment(fresh, kinds, now) =
        now - (fresh.find { |event| kinds.include?(event[:kind]) }&.fetch(:ago_ms, 0) || 0) / 1000.0

      # They may come before a session began, and long after it ended.
      NOT_RUN = [*Timeline::EMERGENCY_KINDS, *Timeline::SAID_KINDS].freeze

      # What came after one turned to quiet breathing, or on the emergency card, is not the session's.
      def self.ran_ms(events)
        events.find { |event| event.kind == :quiet }&.at_ms ||
          events.reject { |event| NOT_RUN.include?(event.kind) }.map(&:at_ms).max
      end
      private_class_method :not_here,
        :moment,
        :ran_ms,
        :close,
        :write_said,
        :keep_day,
        :unasked?,
        :stop_at_once,
        :stand_lower,
        :insert,
        :write_rounds,
        :write_state
    end
  end
end
