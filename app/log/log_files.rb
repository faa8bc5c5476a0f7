# frozen_string_literal: true

module Windlass
  # The log as files, a line at a time: however long it is, little of it is in memory.
  module LogFiles
    SLICE = 200

    # @param name [String] of {Formats::LogCsv::FILES}
    # @param filter [Forms::LogForm]
    # @yieldparam line [String]
    def self.write(name, account, filter, &block)
      yield Formats::CsvOut.line(Formats::LogCsv::COLUMNS.fetch(name))
      each_record(name, account, filter) do |record|
        public_send(:"#{name}_of", record).each { |cells| block.call(Formats::CsvOut.line(cells)) }
      end
    end

    # The filter of the log is one of sessions; measures and dives go by athlete and days.
    def self.each_record(name, account, filter, &block)
      return each_session(account, filter, &block) unless OTHERS.key?(name)

      record, moment = OTHERS.fetch(name)
      found = account.of(record)
      found = found.where(athlete_id: filter.athlete_id) if filter.athlete_id
      found = found.where(moment => filter.from.to_time..) if filter.from
      found = found.where(moment => ...(filter.to + 1).to_time) if filter.to
      found.includes(:athlete).in_batches(of: SLICE) { |slice| slice.each(&block) }
    end

    OTHERS = {"measures" => [Records::Measure, :taken_at], "dives" => [Records::Dive, :down_at]}.freeze
    private_constant :OTHERS

    # @return [Array<Array>] one row
    def self.measures_of(measure)
      [
        [
          measure.uuid,
          measure.taken_at.utc.iso8601,
          measure.athlete.name,
          measure.kind,
          measure.value,
          measure.on_waking,
          measure.ended_by,
          measure.first_breath,
          measure.details.map { |key, value| "#{key}=#{value}" }.join("; "),
          measure.note
        ]
      ]
    end

    # @return [Array<Array>] one row
    def self.dives_of(dive)
      [
        [
          dive.uuid, dive.down_at.utc.iso8601, dive.athlete.name, dive.seconds, dive.depth_m, dive.hard, dive.short,
          dive.signs, dive.buddy, dive.weight_kg, dive.line, dive.note
        ]
      ]
    end

    # From row to row of an index.
    def self.each_session(account, filter, &block)
      log = Records::SessionLog.new(account, filter)
      last = nil
      loop do
        sessions = log.from(last).limit(SLICE).includes(:athlete, :prescription, :rounds).to_a
        sessions.each(&block)
        break if sessions.size < SLICE

        last = [sessions.last.effort, sessions.last.local_date, sessions.last.id]
      end
    end

    # @return [Array<Array>] one row
    def self.sessions_of(session)
      held = session.rounds.filter_map(&:held_ms)
      breaths = session.rounds.filter_map(&:first_breath).tally
      [
        [
          session.uuid,
          session.local_date.iso8601,
          session.started_at&.utc&.iso8601,
          session.athlete.name,
          session.protocol,
          session.to_protocol.in_short(session.to_dose),
          held.size,
          held.sum / 1000.0,
          *Timeline::FIRST_BREATHS.map { |breath| breaths.fetch(breath.to_s, 0) },
          session.effort,
          session.symptoms.join(" "),
          line_of(session),
          session.place,
          session.verdict,
          session.state,
          !session.discarded_at.nil?,
          session.note,
          session.alone?
        ]
      ]
    end

    # What was done as it would be written in one line.
    def self.line_of(session)
      Log::Written.line(
        session.rounds.map do |round|
          Log::Round.new(
            held_s: round.held_ms && round.held_ms / 1000.0,
            skipped: round.skipped,
            first_breath: round.first_breath&.to_sym,
            urge_s: round.first_urge_ms && round.first_urge_ms / 1000.0,
            contraction_s: round.contraction_ms && round.contraction_ms / 1000.0,
            sao2_low: round.sao2_low
          )
        end
      )
    end

    # @return [Array<Array>] a row a hold
    def self.holds_of(session)
      session.rounds.map do |round|
        [
          session.uuid,
          session.local_date.iso8601,
          session.athlete.name,
          session.protocol,
          round.number,
          *[round.target_ms, round.held_ms].map { |ms| ms && ms / 1000.0 },
          round.skipped,
          *[round.first_urge_ms, round.contraction_ms].map { |ms| ms && ms / 1000.0 },
          round.first_breath,
          round.sao2_low
        ]
      end
    end
    private_class_method :each_session, :each_record, :line_of
  end
end
