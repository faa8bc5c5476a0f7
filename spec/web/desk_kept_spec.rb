# frozen_string_literal: true

require "web_helper"

# The desk works out again only what changed: so whatever changes, by whatever way, it has to say what it would say if
# it had kept nothing.
RSpec.describe "What the desk keeps", :web, :both_databases do
  let(:kept) do
    [
      Windlass::Presenters::Desk::Entries::KEPT, Windlass::Records::Session::JUDGED,
      Windlass::Records::AthleteSnapshot::KEPT,
      Windlass::Queries::JudgedPast::DAYS
    ]
  end
  let(:ines) { make_athlete.tap { |one| make_pause(one, 24, at: clock.now - 26 * 3600) } }
  let(:odd) { make_athlete(name: "Odd Falkenrath").tap { |one| make_pause(one, 28, at: clock.now - 26 * 3600) } }
  let(:holds) { prescribe(ines) }
  let(:his) { prescribe(odd) }

  def said
    get("/programme/load")
    load = text
    get("/")
    [text, load, page.css("main a").map { |link| link["href"] }, *read]
  end

  # What rules are asked with: of sessions that were run, of measures, of mornings.
  def read
    two, today = [ines, odd], clock.now.to_date
    [
      two.map { |one| Windlass::Records::Session.core_sets(one.id, (today - 30)..today) },
      Windlass::Records::Measure.newest_values(two),
      Windlass::Records::Measure.morning_series(two.map(&:id), since: today - 30).transform_values(&:scores),
      *two.flat_map { |one| looked_back(one) }
    ]
  end

  # The days that a judge looks back at, and what they show.
  def judged(one)
    history =
      Windlass::Queries::JudgedPast.new(one, (clock.now.to_date - 30)..clock.now.to_date).before(clock.now.to_date + 1)
    history.sessions.map { |day| [day, history.seen.evidence(day).clean?, history.seen.evidence(day).missing] }
  end

  # What readiness looks back at, and what a sheet says of the last weeks.
  def looked_back(one)
    past = Windlass::Presenters::AthletePast.new(one, today: clock.now.to_date)
    ground = Windlass::Situations.of([one], now: clock.now).ground(one.id)
    [
      ground.merge(mornings: ground[:mornings].scores),
      past.over_breathed,
      past.decided,
      past.trained,
      past.gasping,
      past.log,
      past.days.rows,
      past.urge_error.bars,
      judged(one)
    ]
  end

  def act(name, *args, **more) = Windlass::Actions.const_get(name).call(*args, **more, now: clock.now)

  def plan_with_a_group
    group = Windlass::Records::Group.create!(account_id: 1, name: "Club", athletes: [odd])
    programme =
      Windlass::Records::Programme.create!(
        account_id: 1,
        athlete: odd,
        group: group,
        starts_on: clock.now.to_date,
        weeks: 3,
        planned_at: clock.now,
        loads: [],
        left_out: []
      )
    programme.planned_sessions.create!(
      athlete_id: odd.id,
      prescription: his,
      uuid: SecureRandom.uuid,
      local_date: clock.now.to_date,
      at_min: 420,
      begins_min: 420,
      slot_minutes: 40,
      rung: 0,
      seconds: 840,
      hold_seconds: 130,
      dose_words: "13 holds",
      reasons: []
    )
  end

  def newest = holds.sessions.order(:id).last

  def deeds
    {
      "a session of yesterday" => -> do
        2.times { run_set(holds, at: clock.now - 86_400, breaths: {3 => "gasp", 5 => "gasp"}) }
      end,
      "a rating of it" => -> { act(:RateSession, newest, {effort: 9.5, symptoms: ["nausea"], note: "", rounds: {}}) },
      "a decision" => -> do
        act(:Decide, newest, Windlass::Queries::JudgeDay.call(newest), decided: :ease, because: "Seen")
      end,
      "the decision taken back" => -> do
        Windlass::Actions::TakeBack.call(Windlass::Records::Move.last, now: clock.now)
      end,
      "a hold corrected by SQL alone" => -> { newest.rounds.where(number: 2).update_all(held_ms: 9_000) },
      "a round that goes" => -> { newest.rounds.where(number: 13).delete_all },
      "an effort by SQL alone" => -> { Windlass::Records::Session.where(id: newest.id).update_all(effort: 2) },
      "a first urge by SQL alone" => -> { newest.rounds.where(number: 3).update_all(first_urge_ms: 2_500) },
      "time in the cold" => -> do
        ines.colds.create!(
          account_id: 1,
          uuid: SecureRandom.uuid,
          local_date: clock.now.to_date,
          ended_at: clock.now - 1800,
          stage: 1,
          minutes: 3,
          calm: true,
          why_out: "time"
        )
      end,
      "it taken back by SQL alone" => -> { Windlass::Records::Cold.where(athlete_id: ines.id).delete_all },
      "a breathing movement" => -> do
        ines.measures.create!(
          account_id: 1,
          uuid: SecureRandom.uuid,
          kind: "breathing_movement",
          value: 1,
          taken_at: clock.now - 500,
          details:
            Windlass::Measures
              .kind("breathing_movement")
              .fields
              .to_h { |field| [field.key, field.choices.key?("belly") ? "chest" : "yes"] }
        )
      end,
      "a discarded session" => -> { newest.update_columns(discarded_at: clock.now) },
      "a morning score" => -> { make_pause(ines, 25, at: clock.now - 3600) },
      "that score discarded" => -> { ines.measures.order(:taken_at).last.discard(clock.now) },
      "a measure that ladders hang on" => -> do
        ines.measures.create!(
          account_id: 1,
          uuid: SecureRandom.uuid,
          kind: "maximal_hold",
          value: 150,
          taken_at: clock.now - 600,
          details: {
            first_breath: "smooth",
            eventful: "no"
          }
        )
      end,
      "a set of today" => -> { run_set(holds) },
      "no more sets today" => -> { newest.update_columns(given_up: true) },
      "a screening" => -> { screen(ines, :heart) },
      "a clearance" => -> do
        ines.clearances.create!(
          account_id: 1,
          uuid: SecureRandom.uuid,
          clinician: "Dr Quill",
          families: Windlass::Screening::MATRIX.columns.keys.map(&:to_s),
          given_on: clock.now.to_date,
          expires_on: clock.now.to_date + 9,
          created_at: clock.now
        )
      end,
      "the clearance discarded" => -> { ines.clearances.first.discard(clock.now) },
      "a stop" => -> { act(:OpenStop, odd, "Blackout on 2 March 2026.", session: his.sessions.last) },
      "the stop lifted, by SQL alone" => -> do
        Windlass::Records::Suspension.update_all(
          lifted_at: clock.now,
          clinician: "Dr Quill",
          cleared_on: clock.now.to_date
        )
      end,
      "a cold in the head, said today" => -> { act(:KeepDay, ines, {answers: ["unwell"]}) },
      "a slot of a group, today" => -> { plan_with_a_group },
      "the group's other name, by SQL alone" => -> { Windlass::Records::Group.update_all(name: "Early") },
      "another prescription" => -> { act(:Prescribe, odd, Windlass::Protocols.find("quiet-breathing")) },
      "a prescription that is ended" => -> do
        Windlass::Actions::EndPrescription.call(odd.prescriptions.order(:id).last)
      end,
      "prescriptions ended by SQL alone" => -> { odd.prescriptions.update_all(state: "ended") },
      "another name" => -> { odd.update!(name: "Odd Falk") },
      "a paused control pause" => -> do
        odd.update!(control_pause_use: "paused", control_pause_again_on: clock.now.to_date)
      end,
      "somebody who left" => -> { odd.update_columns(left_on: clock.now.to_date) },
      "a new day" => -> { clock.now += 86_400 }
    }
  end

  it "is what it would say had it kept nothing, after any deed" do
    [holds, his].each { |one| run_set(one, at: clock.now - 3 * 86_400) }
    deeds.each do |name, deed|
      before = said
      deed.call
      after = said
      kept.each(&:clear)
      expect([name, after]).to eq [name, said]
      expect([name, after == before]).to eq [name, false]
    end
  end

  # Another value for each column; those that tie records together stay.
  def others(record, given)
    tied = %w[
      id protocol account_id athlete_id prescription_id timeline_id squad_id twin_of_id desk_mark judged_mark uuid
    ]
    given.merge(
      record
        .class
        .columns
        .reject { |column| [*tied, *given.keys].include?(column.name) || %i[json jsonb].include?(column.type) }
        .to_h { |column| [column.name, another(record[column.name], column.type)] }
    )
  end

  def another(was, type)
    case type
    when :boolean
      !was
    when :string, :text
      "#{was}x"
    when :date, :datetime
      (was || clock.now) - 86_400
    else
      (was || 60) + 1
    end
  end

  it "is what it would say had it kept nothing, whichever column of an athlete or of a session is another" do
    [holds, his].each { |one| run_set(one, at: clock.now - 3 * 86_400) }
    session = 2.times.map { run_set(holds) }.last
    athletes =
      others(
        ines,
        {
          "sex" => "male",
          "born_on" => Date.new(2009, 1, 1),
          "control_pause_use" => "paused",
          "disciplines" => ["rowing"],
          "vital_capacity_l" => 5.1,
          "thrift" => 0.9
        }
      )
    sessions =
      others(
        session,
        {
          "state" => "stopped",
          "posture" => "lying",
          "local_date" => session.local_date - 1,
          "dose" => {
            "hold_s" => 4,
            "minutes" => 5,
            "sets" => 2
          },
          "symptoms" => ["nausea"],
          "proposed_verdict" => "ease",
          "rung" => 2,
          "effort" => 9,
          "ribs" => "mostly"
        }
      )
    [[ines, athletes], [session, sessions]].each do |record, columns|
      Many.some(columns.to_a).each do |column, value|
        said
        was = record.reload[column]
        record.update_columns(column => value)
        after = said
        kept.each(&:clear)
        expect([column, after]).to eq [column, said]
        record.update_columns(column => was)
      end
    end
  end

  it "is left alone by a deck while it runs, and renewed by its start and its end" do
    session = plan(holds)
    marks =
      journal(session)
        .each_slice(15)
        .map do |some|
          act(:KeepJournal, session, some)
          Windlass::Records::Athlete.where(id: ines.id).pick(:desk_mark)
        end
    expect([marks.size, marks[0..-2].uniq.size, marks.uniq.size]).to eq [3, 1, 2]
  end

  it "asks nothing again of those of whom nothing changed" do
    [holds, his]
    said
    asked = []
    allow(Windlass::Presenters::Desk::Ground).to receive(:new).and_wrap_original { |original, *args, **more|
      (asked << more[:only].map(&:name)) && original.call(*args, **more)
    }
    make_pause(odd, 27, at: clock.now - 60)
    said

    expect(asked.first).to eq ["Odd Falkenrath"]
    said
    expect(asked.size).to eq 1
  end
end
