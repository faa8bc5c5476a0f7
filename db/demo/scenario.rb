# frozen_string_literal: true

require "yaml"
require "securerandom"
require_relative "../../app/rooms"
require_relative "diary"
require_relative "groups"

module Windlass
  # The demo: invented people in an invented town, made from a seed and relative to today.
  module Demo
    SEED = 20_261
    PEOPLE = YAML.load_file(File.join(__dir__, "kestrel_quay.yml")).freeze
    OWN = YAML.load_file(File.join(__dir__, "own_protocols.yml")).freeze
    PLACE = YAML.load_file(File.join(__dir__, "place.yml")).freeze

    # Loads the scenario into an empty database.
    module Scenario
      # @param now [Time]
      # @return [Integer] athletes made
      def self.load(now:, people: PEOPLE)
        account = Records::Account.first
        Records::Record.transaction do
          people.each_with_index { |person, index| Writer.new(account, person, now, Random.new(SEED + index)).write }
          OWN.each { |own| account.own_protocols.create!(own) }
          account.update!(PLACE)
          Groups.load(account, now: now)
        end
        people.size
      end

      # Empties every table; the account stays, and forgets its place.
      def self.clear
        emptied = [
          Records::Device, Records::ConsentLink, Records::Consent, Records::Letter, Records::Erasure,
          Records::ImportPiece,
          Records::Import, Records::Feed, Records::PlannedSession, Records::Training, Records::Programme,
          Records::Absence, Records::Event, Records::Slot, Records::Member, Records::Group, Records::Photo,
          Records::Correction, Records::Move, Records::Suspension, Records::Complaint, Records::LaidSet, Records::Dive,
          Records::Screening,
          Records::Clearance, Records::JournalEvent, Records::Round, Records::Session, Records::KeptTimeline,
          Records::Squad, Records::Prescription, Records::Measure, Records::Day, Records::OwnProtocol,
          Records::Athlete
        ]
        emptied.each { |table| table.unscoped.delete_all }
        Records::Record.connection.execute("DELETE FROM delayed_jobs")
        # Numbers begin at 1 again, so that addresses of the demo stay the same.
        Records::Account.update_all(PLACE.transform_values { "" })
        Database.number_on(emptied.reject { |table| table.primary_key == "uuid" })
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
        @athlete.screenings.create!(
          account_id: @account.id,
          answered_on: @now.to_date - @person.fetch("screened", Diary::DAYS),
          conditions: conditions,
          guardian_consent_on: (@now.to_date - Diary::DAYS if @person["born"] < Screening::Ages::ADULT)
        )
        give_consent unless @person["consent"] == "later"
        @diary = Diary.new(@person, now: @now, random: @random, own: OWN.to_h { |own| [own["name"], own] })
        write_scores(@diary.days)
        write_measures
        write_days
        write_diary if @person["diary"]
        write_clearance if @person["cleared"]
        @prescriptions = @diary.courses.to_h { |course| [course.protocol, prescribe(course)] }
        write_sessions
        Actions::LearnFromLog.call(@athlete, now: @now)
      end

      # Who has not agreed yet may take so long.
      LATER_DAYS = 12
      # In shorter holds nobody marks an urge.
      URGE_AFTER_S = 20

      private

      # Who was asked lately has not agreed yet, and has some days left.
      def give_consent
        @athlete.consents.create!(
          account_id: @account.id, version: Consents::VERSION, given_at: @now - Diary::DAYS * 86_400,
          guardian: @person.fetch("guardian", ""), written_by: "Maren Solheim-Okoro"
        )
      end

      def conditions
        [*@person["conditions"], ("nervous" if @person["nervous"]), ("sleep_signs" if @person["sleep_signs"])].compact
      end

      def columns
        today = @now.to_date
        @person.slice(
          "name", "sex", "height_cm", "mass_kg", "vital_capacity_l", "resting_pulse", "disciplines", "nervous",
          "sleep_signs", "locks", "control_pause_use"
        ).merge(
          "notes" => @person.fetch("notes", ""),
          "consent_due_on" => (today + LATER_DAYS if @person["consent"] == "later"),
          "born_on" => (today << (@person["born"] * 12)) - @random.rand(300)
        )
      end

      def uuid =
        Random
          .new(@random.rand(2**62))
          .then { |random| random.bytes(16).unpack1("H*") }
          .then { |hex| "#{hex[0, 8]}-#{hex[8, 4]}-4#{hex[13, 3]}-a#{hex[17, 3]}-#{hex[20, 12]}" }

      def write_scores(days)
        rows =
          days.filter_map do |day|
            score = day.score or next
            {
              account_id: @account.id,
              athlete_id: @athlete.id,
              uuid: uuid,
              kind: "control_pause",
              value: score.seconds,
              taken_at: score.at,
              on_waking: true,
              ended_by: score.ended_by,
              first_breath: score.first_breath,
              note: "",
              created_at: score.at
            }
          end
        Records::Measure.insert_all!(rows)
      end

      # A maximal hold every five weeks, and what else the person is measured by.
      def write_measures
        [75, 40, 6].each { |ago| maximal_hold(ago) if @diary.maximal_hold_s(ago) && ago < @diary.length }
        sustained_exhale(10) if @person["sustained_exhale"]
        @person.fetch("measured", []).each { |kind, ago, details| measure(kind, ago, details) }
      end

      def maximal_hold(ago)
        held = @diary.maximal_hold_s(ago)
        measure(
          "maximal_hold",
          ago,
          {
            "seconds" => held,
            "first_urge_s" => (held * 0.55).round,
            "contraction_s" => (held * 0.68).round,
            "first_breath" => "smooth",
            "eventful" => "no",
            "watcher" => "Ada Quill"
          }
        )
      end

      def sustained_exhale(ago)
        measure(
          "sustained_exhale",
          ago,
          {"tempo" => 66, "beats" => @person["sustained_exhale"], "width" => "yes", "steady" => "even"}
        )
      end

      def measure(kind, ago, details)
        day = @now.to_date - ago
        known = Measures.kind(kind)
        value = details.fetch(known.value.to_s) { known.class.done(details.transform_keys(&:to_sym)) }
        Records::Measure.create!(
          account_id: @account.id,
          athlete: @athlete,
          uuid: uuid,
          kind: kind,
          value: value,
          details: details,
          taken_at: Time.new(day.year, day.month, day.day, 12),
          note: ""
        )
      end

      # What was said on some days, today among them.
      def write_days
        @person
          .fetch("says", [])
          .each do |ago, answers, watcher|
            @athlete.days.create!(
              account_id: @account.id,
              local_date: @now.to_date - ago,
              answers: answers,
              watcher: watcher.to_s
            )
          end
      end

      # A line most days, from dice of its own, so that nothing else of the demo hangs on it.
      def write_diary
        dice = Random.new(SEED + @person["name"].sum)
        (1..60)
          .select { dice.rand < 0.8 }
          .each do |ago|
            slept_h = (14 + dice.rand(5)) / 2.0
            @athlete.days.create!(
              account_id: @account.id,
              local_date: @now.to_date - ago,
              answers: [],
              slept_h: slept_h,
              feeling: (slept_h / 2 + dice.rand(-0.5..0.9)).round.clamp(1, 5)
            )
          end
      end

      def write_clearance
        families, expires_in = @person["cleared"]
        @athlete.clearances.create!(
          account_id: @account.id,
          clinician: "Dr Maren Holt, general practice, Kestrel Quay",
          families: families,
          given_on: @now.to_date - 90,
          expires_on: @now.to_date + expires_in
        )
      end

      def prescribe(course)
        first = @diary.days.find { |day| day.works.any? { |work| work.protocol == course.protocol } }
        @athlete.prescriptions.create!(
          account_id: @account.id,
          protocol: course.protocol.id,
          dose: course.standing.dose,
          reduced: course.standing.reduced,
          started_on: first.date,
          own_name: course.name,
          own_dose: course.from
        )
      end

      def write_sessions
        @diary.days.each do |day|
          day.works.each { |work| write_work(day, work, @prescriptions.fetch(work.protocol)) }
          learn(day) if (@now.to_date - day.date) % LEARNING_DAYS == 0
        end
      end

      # As the log grew, the model learned from it: every forecast is the one of its day.
      LEARNING_DAYS = 14
      def learn(day)
        Actions::LearnFromLog.call(@athlete, now: Time.new(day.date.year, day.date.month, day.date.day, 21)) if @marked
      end

      def write_work(day, work, prescription)
        ids = work.sets.each_with_index.map { |set, index| write_session(day, work, set, index, prescription) }
        if work.decided
          write_move(day, work, ids.last, prescription)
        else
          Actions::StoreVerdict.call(Records::Session.find(ids.last))
        end
        write_stop(ids.first) if work.verdict.stop?
      end

      # @return [Integer] id; written without a record, for there are thousands
      def write_session(day, work, set, index, prescription)
        started =
          Time.new(
            day.date.year,
            day.date.month,
            day.date.day,
            (work.protocol.once_a_day? ? 17 : 8) + 9 * index / 2,
            @random.rand(50)
          )
        timeline = timeline(prescription, set.dose)
        row = {
          account_id: @account.id,
          athlete_id: @athlete.id,
          prescription_id: prescription.id,
          uuid: uuid,
          state: "done",
          protocol: set.protocol,
          dose: set.dose,
          rung: work.before.rung,
          reduced: work.before.reduced,
          light: false,
          timeline_id: @timeline_ids[set.dose],
          forecast: forecast(timeline, day, work),
          planned_at: started,
          started_at: started,
          ended_at: started + timeline.total_ms / 1000,
          done_ms: timeline.total_ms,
          local_date: day.date,
          effort: set.effort,
          symptoms: set.symptoms,
          posture: work.protocol.posture,
          note: ""
        }
        id = Records::Session.insert!(row, returning: :id).rows.first.first
        parts = set.activity.judged_parts(timeline)
        if set.rounds.any?
          rows = set.rounds.map { |round| round_row(id, round, parts[round.number - 1]) }
          Records::Round.insert_all!(rows.map { |one| one.merge(sao2_low: finger_low(one, row)) })
        end
        id
      end

      def timeline(prescription, dose)
        @timeline_ids ||= {}
        @timelines ||= {}
        protocol = prescription.to_protocol
        @timelines[dose] ||= protocol
          .compile(dose, @athlete.to_body(on: @now.to_date, posture: protocol.posture))
          .tap { |one| @timeline_ids[dose] = Records::KeptTimeline.of(one.segments.map(&:to_h_plain)).id }
      end

      # As it would have been when the session was planned; only where a sheet still shows it.
      def forecast(timeline, day, work)
        long = timeline.holds.any? { |place| place.segment.seconds > URGE_AFTER_S }
        long_ago = day.date < @now.to_date - Progression::TrainingTrend::DAYS
        if (long_ago && !long) || Forecasts.objection(@athlete, on: day.date)
          return
        end

        @forecasts ||= {}
        @forecasts[[work.before.dose, day.pause_s.round, @athlete.full_threshold]] ||= begin
          model =
            Physiology::Model.new(
              @athlete.to_body(on: day.date, posture: work.protocol.posture),
              control_pause_s: day.pause_s,
              full_threshold: @athlete.full_threshold
            )
          Records::Session.forecast_columns(model.forecast(timeline.segments))
        end
      end

      def round_row(session_id, round, part)
        {
          session_id: session_id,
          number: round.number,
          target_ms: round.target_s && (round.target_s * 1000).round,
          held_ms: (round.held_s * 1000).round,
          skipped: false,
          first_breath: round.first_breath,
          hold: (part.number if part.is_a?(Timeline::Compiled::Placed)),
          ribs: round.ribs,
          stream: round.stream,
          first_urge_ms: first_urge_ms(round)
        }
      end

      # Whoever wears an oximeter in tables of long holds: each body uses oxygen in its own way, more or less of it than
      # forecast, and a finger is off by a point.
      WITH_OXIMETER = %w[co2-table o2-table single-hold counted-recovery].freeze

      def finger_low(round, session)
        return unless WITH_OXIMETER.include?(session[:protocol]) && round[:hold] && session[:forecast]

        @fingers ||= Random.new(@athlete.id)
        @thrift ||= @fingers.rand(0.7..1.15)
        fallen = 1 - session[:forecast][round[:hold] - 1][:sao2_min]
        @marked = true
        (1 - fallen * @thrift + @fingers.rand(-0.01..0.01)).round(2).clamp(0.8, 1.0)
      end

      # No urge comes in a small hold; one in two long ones is marked.
      def first_urge_ms(round)
        return unless round.ribs.nil? && round.held_s > URGE_AFTER_S && @random.rand < 0.5

        @marked = true
        (round.held_s * 1000 * (0.7 + 0.3 * @random.rand)).round
      end

      def write_move(day, work, session_id, prescription)
        verdict = work.verdict
        Records::Move.insert!(
          {
            account_id: @account.id,
            prescription_id: prescription.id,
            session_id: session_id,
            local_date: day.date,
            verdict: verdict.verdict,
            decided: verdict.verdict,
            reasons: verdict.reasons.map(&:to_h),
            dose_before: work.before.dose,
            reduced_before: work.before.reduced,
            dose_after: work.after.dose,
            decided_at: Time.new(day.date.year, day.date.month, day.date.day, 20)
          }
        )
      end

      def write_stop(session_id)
        session = Records::Session.find(session_id)
        said = session.symptoms
        session.update!(symptoms: [])
        Actions::RateSession.call(
          session,
          {effort: session.effort, symptoms: said, note: "", rounds: {}},
          now: session.ended_at
        )
      end
    end
  end
end
