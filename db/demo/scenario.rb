# frozen_string_literal: true

require "yaml"
require "securerandom"
require_relative "../../app/actions"
require_relative "../../app/presenters"
require_relative "diary"

module Windlass
  # The demo: invented people in an invented town, made from a seed and relative to today.
  module Demo
    SEED = 20_261
    PEOPLE = YAML.load_file(File.join(__dir__, "kestrel_quay.yml")).freeze

    # Loads the scenario into an empty database.
    module Scenario
      # @param now [Time]
      # @return [Integer] athletes made
      def self.load(now:, people: PEOPLE)
        account = Records::Account.first
        Records::Record.transaction do
          people.each_with_index { |person, index| Writer.new(account, person, now, Random.new(SEED + index)).write }
        end
        people.size
      end

      # Empties every table but the accounts.
      def self.clear
        [Records::Move, Records::Suspension, Records::Screening, Records::Clearance, Records::JournalEvent, Records::Round, Records::Session,
          Records::Prescription, Records::Measure, Records::Athlete].each(&:delete_all)
        # Numbers begin at 1 again, so that addresses of the demo stay the same.
        Records::Record.connection.execute("DELETE FROM sqlite_sequence WHERE name <> 'accounts'")
      end
    end

    # Writes one diary into the tables, many rows at a time.
    class Writer
      def initialize(account, person, now, random)
        @account = account
        @person = person
        @now = now
        @random = random
      end

      def write
        @athlete = @account.athletes.create!(columns)
        @athlete.screenings.create!(account_id: @account.id, answered_on: @now.to_date - Diary::DAYS, conditions: conditions)
        diary = Diary.new(@person, now: @now, random: @random)
        write_scores(diary.days)
        trained = diary.days.select { |day| day.sets.any? }
        write_sessions(trained, prescribe(trained, diary.standing)) if trained.any?
      end

      private

      def conditions
        [*@person["conditions"], ("nervous" if @person["nervous"]), ("sleep_signs" if @person["sleep_signs"])].compact
      end

      def columns
        today = @now.to_date
        @person.slice("name", "sex", "height_cm", "mass_kg", "vital_capacity_l", "resting_pulse", "disciplines", "nervous",
          "sleep_signs", "control_pause_use").merge("notes" => @person.fetch("notes", ""),
            "born_on" => (today << (@person["born"] * 12)) - @random.rand(300))
      end

      def uuid = Random.new(@random.rand(2**62)).then { |random| random.bytes(16).unpack1("H*") }
        .then { |hex| "#{hex[0, 8]}-#{hex[8, 4]}-4#{hex[13, 3]}-a#{hex[17, 3]}-#{hex[20, 12]}" }

      def write_scores(days)
        rows = days.filter_map do |day|
          score = day.score or next
          {account_id: @account.id, athlete_id: @athlete.id, uuid: uuid, kind: "control_pause", value: score.seconds,
           taken_at: score.at, on_waking: true, ended_by: score.ended_by, first_breath: score.first_breath,
           note: "", created_at: score.at}
        end
        Records::Measure.insert_all!(rows)
      end

      def prescribe(days, standing)
        @athlete.prescriptions.create!(account_id: @account.id, protocol: "small-holds", dose: standing.dose,
          reduced: standing.reduced, started_on: days.first.date)
      end

      def write_sessions(days, prescription)
        days.each do |day|
          ids = day.sets.each_with_index.map { |set, index| write_session(day, set, index, prescription) }
          day.decided ? write_move(day, ids.last, prescription) : Actions::Propose.call(Records::Session.find(ids.last))
          write_stop(ids.first) if day.verdict.stop?
        end
      end

      # @return [Integer] id; written without a record, for there are thousands
      def write_session(day, set, index, prescription)
        started = Time.new(day.date.year, day.date.month, day.date.day, 8 + 9 * index / 2, @random.rand(50))
        timeline = timeline(prescription, set.dose)
        row = {account_id: @account.id, athlete_id: @athlete.id, prescription_id: prescription.id, uuid: uuid, state: "done",
               protocol: set.protocol, dose: set.dose, rung: day.before.rung, reduced: day.before.reduced, light: false,
               segments: @segments[set.dose], forecast: forecast(timeline, day), planned_at: started, started_at: started,
               ended_at: started + timeline.total_ms / 1000, local_date: day.date, effort: set.effort, symptoms: set.symptoms,
               posture: "seated", note: ""}
        id = Records::Session.insert!(row, returning: :id).rows.first.first
        Records::Round.insert_all!(set.rounds.map { |round| round_row(id, round) })
        id
      end

      def timeline(prescription, dose)
        @segments ||= {}
        @timelines ||= {}
        @timelines[dose] ||= prescription.to_protocol.compile(dose).tap { |one| @segments[dose] = one.segments.map(&:to_h_plain) }
      end

      # As it would have been when the session was planned; only where a sheet still shows it.
      def forecast(timeline, day)
        return if day.date < @now.to_date - Presenters::AthleteSheet::LOG_DAYS

        @forecasts ||= {}
        @forecasts[[day.before.dose, day.pause_s.round]] ||= begin
          model = Physiology::Model.new(@athlete.to_body(on: day.date), control_pause_s: day.pause_s)
          Records::Session.forecast_columns(model.forecast(timeline.segments))
        end
      end

      def round_row(session_id, round)
        {session_id: session_id, number: round.number, target_ms: (round.target_s * 1000).round,
         held_ms: (round.held_s * 1000).round, skipped: false, first_breath: round.first_breath,
         first_urge_ms: first_urge_ms(round)}
      end

      # Now and then an urge comes near the end of a small hold.
      def first_urge_ms(round)
        (round.held_s * 1000 * (0.7 + 0.3 * @random.rand)).round if @random.rand < 0.03
      end

      def write_move(day, session_id, prescription)
        verdict = day.verdict
        Records::Move.insert!({account_id: @account.id, prescription_id: prescription.id, session_id: session_id,
          local_date: day.date, verdict: verdict.verdict, decided: verdict.verdict, reasons: verdict.reasons.map(&:to_h),
          dose_before: day.before.dose, dose_after: day.after.dose,
          decided_at: Time.new(day.date.year, day.date.month, day.date.day, 20)})
      end

      def write_stop(session_id)
        session = Records::Session.find(session_id)
        Actions::RateSession.call(session, {effort: session.effort, symptoms: session.symptoms, note: "", rounds: {}},
          now: session.ended_at)
      end
    end
  end
end
