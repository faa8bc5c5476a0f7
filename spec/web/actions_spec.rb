# frozen_string_literal: true

require "web_helper"

RSpec.describe "Actions", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }
  let(:prescription) { prescribe(athlete) }
  let(:day) { 86_400 }

  describe Windlass::Actions::PlanSession do
    it "takes up what was planned today and not begun, with the dose that it is now; another day makes another" do
      first = described_class.call(prescription, now: clock.now)

      expect(described_class.call(prescription, now: clock.now + 60)).to eq first
      expect(described_class.call(prescription, now: clock.now + day)).not_to eq first
      prescription.update!(dose: {hold_s: 5, minutes: 6, sets: 3})
      expect(described_class.call(prescription, now: clock.now)).to eq(first).and have_attributes(
              to_dose: {
                hold_s: 5,
                minutes: 6,
                sets: 3
              }
            )
    end

    it "keeps the plan as it was when the measures change" do
      session = described_class.call(prescription, now: clock.now)
      make_pause(athlete, 6, at: clock.now)

      expect(session.reload.to_timeline.holds.map { |place| place.segment.ms }.uniq).to eq [5_000]
      expect(prescription.reload.to_standing(on: clock.now.to_date).dose[:hold_s]).to eq 3
    end

    it "says which measure is missing where the protocol is not offered any more" do
      prescription
      Windlass::Records::Measure.delete_all

      expect { described_class.call(prescription.reload, now: clock.now) }.to raise_error Windlass::Error,
        "Small holds needs a valid control pause first."
    end
  end

  describe Windlass::Actions::StoreVerdict do
    def values_of(session) = [session.reload.proposed_verdict, session.proposed_reason]

    it "keeps the judge's word with the newest set of a day, and anew when something of it changes" do
      sets = Array.new(2) { run_set(prescription) }
      expect(values_of(sets.last)).to eq ["repeat", "Clean, 1 of 2 in a row on this rung."]

      Windlass::Actions::RateSession.call(
        sets.first,
        {effort: 9.5, symptoms: [], note: "", rounds: {}},
        now: clock.now
      )
      expect(values_of(sets.last)).to eq ["ease", "Effort 9.5 of 10."]
      # Whoever rates the newest has it in hand, without reading it again.
      rate = ->(set, effort) do
        Windlass::Actions::RateSession.call(set, {effort: effort, symptoms: [], note: "", rounds: {}}, now: clock.now)
      end
      rate[sets.first, 3]
      expect([2, 9].map { |effort| rate[sets.last, effort].proposed_verdict }).to eq %w[repeat ease]
    end

    it "judges the later undecided days anew when an earlier one changes" do
      yesterday = Array.new(2) { run_set(prescription, at: clock.now - day) }
      today = Array.new(2) { run_set(prescription) }
      expect(values_of(today.last).first).to eq "advance"

      Windlass::Actions::RateSession.call(
        yesterday.last,
        {effort: 8, symptoms: [], note: "", rounds: {}},
        now: clock.now
      )
      expect(values_of(today.last)).to eq ["repeat", "Clean, 1 of 2 in a row on this rung."]
    end
  end

  describe Windlass::Actions::RateSession do
    it "judges nothing anew where nothing else is said; where the judge has not spoken yet, it does" do
      session = Array.new(2) { run_set(prescription) }.last
      said = {effort: 3, symptoms: [], note: "", rounds: {2 => {first_breath: "smooth"}}}
      described_class.call(session, said, now: clock.now)
      allow(Windlass::Actions::StoreVerdict).to receive(:call).and_call_original
      described_class.call(session.reload, said, now: clock.now)
      expect(Windlass::Actions::StoreVerdict).not_to have_received(:call)
      described_class.call(session, said.merge(rounds: {2 => {first_breath: "gasp"}}), now: clock.now)
      session.update_columns(proposed_verdict: nil)
      described_class.call(session.reload, said.merge(rounds: {}), now: clock.now)
      expect(Windlass::Actions::StoreVerdict).to have_received(:call).twice
      expect([session.reload.proposed_verdict, session.proposed_reason]).to eq ["repeat", "1 gasp: round 2 of set 2."]
    end
  end

  describe Windlass::Situations do
    # As different as a squad is: screened or not, stopped, resting, with a fault, tests, the cold, over-breathing,
    # illness.
    it "knows of many what it knows of each alone" do
      prescribe(athlete)
      many = [athlete, *%w[Odd Pascale Wanda Imre].map { |name| make_athlete(name: name) }]
      make_pause(many[1], 31, at: clock.now - 2 * day)
      screen(many[1], :asthma)
      run_set(prescription, at: clock.now - day)
      test =
        many[2].measures.create!(
          account_id: 1,
          uuid: SecureRandom.uuid,
          kind: "maximal_hold",
          value: 99,
          taken_at: clock.now - 40 * day,
          details: {
            first_breath: "gasp",
            eventful: "stop"
          }
        )
      Windlass::Actions::OpenStop.call(many[2], "Blackout on 2 March 2026.", measure: test, now: clock.now)
      rested = run_set(prescribe(many[3].tap { |one| make_pause(one, 20) }), at: clock.now - 5 * day)
      many[3].suspensions.create!(
        account_id: 1,
        kind: "rest",
        session: rested,
        opened_at: clock.now,
        until_on: clock.now.to_date + 3,
        reason: "Rest."
      )
      Windlass::Actions::KeepDay.call(many[3], {answers: ["unwell"], chest: true}, now: clock.now)
      many[4].colds.create!(
        account_id: 1,
        uuid: SecureRandom.uuid,
        local_date: clock.now.to_date,
        ended_at: clock.now - 900,
        stage: 1,
        minutes: 2,
        calm: true,
        why_out: "done"
      )
      many[4].measures.create!(
        account_id: 1,
        uuid: SecureRandom.uuid,
        kind: "maximal_hold",
        value: 150,
        taken_at: clock.now - day,
        details: {
          first_breath: "smooth",
          eventful: "no"
        }
      )
      told = ->(situations, one) do
        situations.ground(one.id).then { |ground| ground.merge(mornings: ground[:mornings].scores) }
      end
      together = described_class.of(many, now: clock.now).then { |situations| many.map { |one| told[situations, one] } }
      Windlass::Records::AthleteSnapshot::KEPT.clear

      expect(many.map { |one| told[described_class.of([one], now: clock.now), one] }).to eq together
      expect(
        together.map do |ground|
          [
            ground[:stopped].nil?,
            ground[:resting_until],
            ground[:illness]&.chest,
            ground[:history].map(&:protocol),
            ground[:measures].control_pause_s
          ]
        end
      ).to eq [
        [true, nil, nil, ["small-holds"], 24.0],
        [true, nil, nil, [], 31.0],
        [false, nil, nil, [], nil],
        [true, clock.now.to_date + 3, true, ["small-holds"], 20.0],
        [true, nil, nil, %w[maximal-test cold], nil]
      ]
    end
  end

  describe Windlass::Actions::Decide do
    def decide(decided, because: nil, session: Array.new(2) { run_set(prescription) }.last)
      described_class.call(
        session,
        Windlass::Queries::JudgeDay.call(session),
        decided: decided,
        because: because,
        now: clock.now
      )
    end

    it "leaves the dose alone where the coach only repeats, and keeps what was proposed" do
      move = decide(:repeat)

      expect(move).to have_attributes(verdict: "repeat", decided: "repeat", overruled_because: nil)
      expect(prescription.reload.dose).to eq({"hold_s" => 5, "minutes" => 5, "sets" => 2})
    end

    it "falls quiet after an ease at half of the lowest rung, until a new measure has been taken" do
      decide(:ease, because: "Tired")
      expect(prescription.reload).to have_attributes(
        reduced: true,
        dose: {
          "hold_s" => 5,
          "minutes" => 2.5,
          "sets" => 2
        }
      )
      clock.now += day
      decide(:ease, because: "Still tired")

      expect(prescription.reload).to be_quiet
      expect { Windlass::Actions::PlanSession.call(prescription, now: clock.now) }.to raise_error Windlass::Error,
        /Quiet breathing/
      expect { prescribe(athlete) }.to raise_error Windlass::Error, /until a new measure/
      make_pause(athlete, 30, at: clock.now + 60)
      expect(prescribe(athlete).reload).to have_attributes(state: "active", reduced: false)
    end
  end

  describe Windlass::Actions::LearnFromLog do
    it "changes nothing for a child or where nothing was logged" do
      run_set(prescription)
      expect(athlete.reload).to have_attributes(thrift: 1.0, full_threshold: nil, oximeter_logged: false)

      athlete.update!(born_on: "2010-01-01")
      consented(athlete)
      session = run_set(prescription)
      session.rounds.first.update!(sao2_low: 0.8)
      described_class.call(athlete, now: clock.now)
      expect(athlete.reload.thrift).to eq 1.0
    end
  end

  describe Windlass::Records::Athlete do
    it "counts years by the birthday" do
      athlete.born_on = Date.new(2000, 3, 2)

      expect([Date.new(2026, 3, 1), Date.new(2026, 3, 2)].map { |date| athlete.age_on(date) }).to eq [25, 26]
      athlete.born_on = Date.new(2004, 2, 29)
      expect([Date.new(2026, 2, 28), Date.new(2026, 3, 1)].map { |date| athlete.age_on(date) }).to eq [21, 22]
    end

    it "doses from the newest valid control pause, whatever came after it" do
      make_pause(athlete, 31, at: clock.now - 3600)
      make_pause(athlete, 50, at: clock.now, first_breath: "gasp")
      make_pause(athlete, 2, at: clock.now)

      expect(athlete.to_values.control_pause_s).to eq 31
      athlete.control_pause_use = "paused"
      expect(athlete.to_values.control_pause_paused).to be true
    end

    it "reads a score against the fortnight before it" do
      (1..5).each { |ago| make_pause(athlete, 20 + ago, at: clock.now - ago * day) }

      expect(athlete.reload.to_context(on: clock.now.to_date)).to have_attributes(trained: true, baseline_s: 23.0)
    end
  end
end
