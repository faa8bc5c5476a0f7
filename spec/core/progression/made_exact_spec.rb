# frozen_string_literal: true

# progression.md 6: what became exact after trying it.
RSpec.describe Windlass::Progression::Judge do
  core = Windlass::Progression
  monday = Builders::MONDAY
  values = Windlass::Measures::Values.new(control_pause_s: 24, maximal_hold_s: 120)

  # A session of a family at a rung, whole and clean unless said.
  # @param rounds [Hash{Integer => Hash}] changes, by number; nil leaves the round out
  define_method(:session) do |id, rung: 0, on: monday, rounds: {}, seconds: nil, **changes|
    family = Windlass::Protocols.find(id)
    dose = at(id, rung).dose
    parts = family.compile(dose).judged(family.judged)
    asked =
      if family.first_breath == :hold
        parts.map(&:number)
      else
        (%i[never end].include?(family.first_breath) ? [] : family.asked_after(dose).to_a)
      end
    done =
      parts
        .reject { |part| rounds.key?(part.number) && rounds[part.number].nil? }
        .map do |part|
          target_s = (family.judged == :holds && part.segment.open?) ? nil : part.ms/1000r
          core::Round.new(
            number: part.number,
            target_s: target_s,
            held_s: part.ms/1000r,
            first_breath: asked.include?(part.number) ? :smooth : nil
          ).with(**rounds.fetch(part.number, {}))
        end
    core::Session.new(
      id: "#{id} #{on}",
      date: on,
      protocol: id,
      dose: dose,
      rounds: done,
      rounds_planned: family.rounds(dose) / family.sets(dose),
      effort: 4,
      seconds_done: seconds || family.seconds(dose),
      ribs: :always,
      **changes
    )
  end

  define_method(:at) { |id, rung| core::Standing.of(Windlass::Protocols.find(id), values).at(rung) }

  define_method(:verdict) do |session, *before, rung: 0|
    described_class.judge(session, history: before, standing: at(session.protocol, rung))
  end

  def rules(...) = verdict(...).reasons.map(&:rule)

  it "judges a dose without holds by its minutes, and lets it climb" do
    %w[alternate-nostril quiet-breathing].each do |id|
      expect(verdict(session(id), session(id, on: monday - 1)).target.rung).to eq 1
      expect(rules(session(id, seconds: 10))).to eq ["repeat.unfinished"]
      expect(rules(session(id, seconds: 0))).to include "repeat.none"
    end
    breathing =
      core::Session.new(
        id: 1,
        date: monday,
        protocol: "ratio",
        dose: {
          pattern: [4, 0, 8, 0],
          count_s: 1,
          rounds: 6
        },
        rounds: [],
        effort: 3,
        seconds_done: 71
      )
    expect(
      [
        breathing.by_minutes?,
        core::Evidence.new(breathing).clean?,
        core::Evidence.new(breathing.with(seconds_done: 64)).clean?
      ]
    ).to eq [true, true, false]
  end

  it "judges voice by its exhales: 90 % of the beats, ribs and stream; a first breath is not asked" do
    # 16 beats at 66 a minute; the last two hisses are rounds 5 and 6.
    cut = ->(beats) { {held_s: beats * 60/66r} }

    expect(verdict(session("hiss-ladder"), session("hiss-ladder", on: monday - 1)).verdict).to eq :advance
    expect(rules(session("hiss-ladder", rounds: {5 => cut[15], 6 => cut[15]}))).to eq ["repeat.count"]
    expect(rules(session("hiss-ladder", rounds: {6 => cut[14]}))).to eq ["repeat.short"]
    expect(
      verdict(session("hiss-ladder", rounds: {5 => cut[4], 6 => cut[4]})).reasons.first.text
    ).to eq "2 exhales: rounds 5 and 6 under 90 % of the target."
    expect(
      rules(
        session("hiss-ladder", rounds: {1 => {ribs: :dropped}, 2 => {stream: :flickering}, 3 => {ribs: :wide}})
      )
    ).to eq ["repeat.uneven"]
    expect(rules(session("hiss-ladder", rounds: {1 => {ribs: :dropped}, 2 => {ribs: :wide}}))).to eq [
      "repeat.count"
    ]
    expect(session("stacked-exhale").rounds.map(&:target_s)).to eq [8] * 6
  end

  # By hand from the text: F8 once a round, F9 once a cycle, F14 once at the end, F7 never, F1 after every hold.
  it "asks for a first breath where the family says, and misses none that it does not ask for" do
    missing =
      %w[ratio full-breath co2-table own-pace].to_h do |id|
        silent = session(id).then { |one| one.with(rounds: one.rounds.map { |round| round.with(first_breath: nil) }) }
        [id, core::Evidence.new(silent).unknown_breaths.map(&:number)]
      end

    expect(missing.values_at("ratio", "full-breath", "co2-table")).to eq [[2, 4, 6, 8, 10, 12], [], [1, 2, 3, 4, 5, 6]]
    expect(missing["own-pace"]).to eq [session("own-pace").rounds.size]
    nostril = Windlass::Protocols.find("alternate-nostril")
    dose = {stage: 4, cycles: 3, rounds: 2, count_s: 1}
    expect([nostril.asked_after(dose).to_a, nostril.compile(dose).holds.size]).to eq [[2, 4, 6, 8, 10, 12], 12]
  end

  it "makes one session of a day's sets, names what is missing with its set, and lets a false start poison none of " \
    "them" do
    sets =
      [
        session("small-holds", effort: nil),
        session("small-holds", rounds: {3 => {first_breath: nil}})
      ].each_with_index.map { |set, index| set.with(id: index) }
    false_start =
      session(
        "small-holds",
        rounds: (2..13).to_h { |number| [number, nil] }.merge(1 => {held_s: 2, first_breath: nil}),
        effort: nil
      )

    expect(verdict(core::Session.of_day(sets)).reasons.map(&:text)).to eq [
      "Not the whole dose: effort of set 1 not noted and 1 first breath not noted (round 3 of set 2)."
    ]
    clean =
      [session("small-holds"), false_start, session("small-holds")].each_with_index.map do |set, index|
        set.with(id: index)
      end
    expect(rules(core::Session.of_day(clean))).to eq ["repeat.count"]
  end

  it "takes for a false start what was left within the first round and left no mark, and eases nothing for it" do
    one = ->(**round) do
      session(
        "co2-table",
        rounds: (2..6).to_h { |number| [number, nil] }.merge(1 => {held_s: 20, **round}),
        effort: 9.5
      )
    end

    expect(
      [rules(one[first_breath: nil]), rules(session("co2-table", rounds: (1..6).to_h { |number| [number, nil] }))]
    ).to all(eq(%w[repeat.none repeat.unfinished]))
    expect(
      [
        one[first_breath: :gasp],
        one[first_breath: nil].with(symptoms: [:nausea]),
        one[sao2_low: 0.7],
        one[held_s: 60]
      ].map(&:false_start?)
    ).to eq [false] * 4
    expect(
      verdict(
        session("co2-table"),
        one[first_breath: nil].with(date: monday - 1),
        session("co2-table", on: monday - 2)
      ).verdict
    ).to eq :advance
  end

  it "never leads from a rest to more than an ease would, and says until when" do
    sick = session("hiss-ladder", symptoms: [:nausea])
    before = session("co2-table", on: monday - 3, symptoms: [:lightheaded])
    rested =
      [0, 1, 4].map { |rung| verdict(session("hiss-ladder", rung: rung, symptoms: [:nausea]), before, rung: rung) }

    expect(rested.map { |one| [one.verdict, one.target.rung, one.target.reduced] }).to eq [
      [:rest, 0, true],
      [:rest, 0, false],
      [:rest, 2, false]
    ]
    expect([rested.first.resting_until, rested.first.reasons.first.text]).to match [
      monday + 7,
      /Quiet breathing until 9 March 2026\.\z/
    ]
    half = at("hiss-ladder", 0).halved
    expect(described_class.judge(sick.with(dose: half.dose), history: [before], standing: half).target).to be_nil
  end

  it "counts a hold of nothing as left out, and reads an oximeter against the floor after whatever over-breathed" do
    expect(rules(session("deep-rounds", rounds: {1 => {held_s: 0}}))).to eq ["repeat.unfinished"]
    expect(rules(session("co2-table", rounds: {2 => {sao2_low: 0.78}}))).to eq ["repeat.count"]
    expect(rules(session("co2-table", rounds: {2 => {sao2_low: 0.78}}, washout: 5.5))).to eq %w[ease.saturation]
  end

  it "takes of two sessions that nothing tells apart in time the worse one for the later" do
    twice = [session("co2-table", on: monday - 1), session("co2-table", on: monday - 1, effort: 8).with(id: "harder")]

    expect([twice, twice.reverse].map { |past| verdict(session("co2-table"), *past).verdict }).to eq %i[repeat repeat]
    expect(
      verdict(
        session("co2-table"),
        twice[0].with(ended_at: Time.utc(2026, 3, 1, 20)),
        twice[1].with(ended_at: Time.utc(2026, 3, 1, 9))
      ).verdict
    ).to eq :advance
  end
end
