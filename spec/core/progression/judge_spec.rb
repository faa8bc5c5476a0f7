# frozen_string_literal: true

RSpec.describe Windlass::Progression::Judge do
  monday = Builders::MONDAY

  it "lets the strongest verdict win and lists every reason, strongest first, with its evidence" do
    verdict = judge(day(symptoms: [:nausea], breaths: {4 => :gasp, 6 => :gasp}, held: {9 => 4}, effort: 8), rung: 3)

    expect(verdict.verdict).to eq :ease
    expect(verdict.reasons.map(&:rule)).to eq %w[ease.warning ease.gasps repeat.short repeat.effort]
    expect(verdict.reasons.map(&:text)).to include "2 gasps: rounds 4 and 6."
  end

  it "moves one tooth: up, none, down, two down after a rest, to the bottom after a stop" do
    clean = {history: [day(on: monday - 1, rung: 3)], rung: 3}
    moves = {
      advance: judge(day(rung: 3), **clean),
      repeat: judge(day(rung: 3, effort: 8), **clean),
      ease: judge(day(rung: 3, effort: 9), **clean),
      rest: judge(day(rung: 3, symptoms: [:nausea]), rung: 3, history: [day(on: monday - 5, symptoms: [:nausea])]),
      stop: judge(day(rung: 3, symptoms: [:blackout]), **clean)
    }

    expect(moves.transform_values(&:verdict)).to eq moves.to_h { |verdict, _| [verdict, verdict] }
    expect(moves.transform_values { |verdict| verdict.target.rung }).to eq(
      {advance: 4, repeat: 3, ease: 2, rest: 1, stop: 0}
    )
  end

  it "goes down to a shorter hold after gasps or short holds" do
    holds = standing.ladder.rungs.map { |dose| dose[:hold_s] }
    rung = holds.rindex(holds.last - 1)
    eased = judge(day(rung: rung, breaths: {1 => :gasp, 2 => :gasp}), rung: rung).target

    expect(eased.dose[:hold_s]).to eq holds[rung] - 1
    expect(eased.rung).to eq holds.rindex(holds[rung] - 1)
  end

  it "halves the lowest rung, then leaves it for quiet breathing; a clean row leads back to the whole" do
    halved = judge(day(effort: 9)).target
    expect([halved.reduced, halved.dose]).to eq [true, {hold_s: 5, minutes: 2.5, sets: 2}]

    small = day.with(dose: halved.dose)
    again = described_class.judge(small.with(effort: 9), history: [], standing: halved)
    expect([again.verdict, again.target]).to eq [:ease, nil]

    clean = described_class.judge(small, history: [small.with(id: 1, date: monday - 1)], standing: halved)
    expect([clean.verdict, clean.target.reduced, clean.target.dose]).to eq [:advance, false, standing.dose]
  end

  it "names the set of a round where there are several" do
    numbered = ->(*sets) { Windlass::Progression::Session.of_day(sets).rounds.map(&:set).uniq }

    expect([numbered[day], numbered[day, day]]).to eq [[nil], [1, 2]]
  end

  it "names the hold where a round has several: three rounds have no fifth one" do
    called = Windlass::Protocols.find("ratio").method(:part_called)
    doses = [[4, 2, 4, 2], [4, 2, 4, 0]].map { |pattern| {pattern: pattern, count_s: 1, rounds: 3} }
    expect(doses.map(&called)).to eq %w[hold round]
    twice = day(rounds: 6, breaths: {5 => :gasp}).with(
      protocol: "ratio", dose: {pattern: [4, 2, 4, 2].freeze, count_s: 1, rounds: 3}.freeze
    )
    expect(Windlass::Progression::Evidence.of(twice).then { |one| one.with_rounds(one.gasps, "gasp") }).to eq \
      "1 gasp: hold 5"
  end

  it "judges a day's sets as one session, and counts the same session once" do
    sets = [day(rounds: 13), day(rounds: 13, breaths: {2 => :gasp}, effort: 6)]
    whole = Windlass::Progression::Session.of_day(sets)

    expect([whole.rounds.size, whole.rounds_planned, whole.effort]).to eq [26, 26, 6]
    expect(judge(whole).reasons.map(&:text)).to eq ["1 gasp: round 2 of set 2."]
    expect(judge(day, history: [day, day]).verdict).to eq :repeat
  end
end
