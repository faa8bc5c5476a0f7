# frozen_string_literal: true

# cli.md: what the commands answer, and what they refuse.
RSpec.describe Windlass::Cli do
  athlete = {sex: "male", age: 30, height_cm: 178, mass_kg: 75, control_pause_s: 25}.freeze
  known = {control_pause_s: 25, maximal_hold_s: 120}.freeze
  smooth = {target_s: 60, held_s: 60, first_breath: "smooth"}.freeze

  def ask(command, input)
    stdout, stderr = StringIO.new, StringIO.new
    status = described_class.run([command], stdin: StringIO.new(JSON.generate(input)), stdout: stdout, stderr: stderr)
    status.zero? ? JSON.parse(stdout.string, symbolize_names: true) : stderr.string.lines.map(&:chomp)
  end

  it "plans a rung or a dose: segments that sum to its seconds, and the forecast of its holds" do
    plan = ask("plan", protocol: "co2-table", rung: 2, athlete: athlete, measures: known)

    expect(plan.keys).to eq %i[protocol dose seconds segments holds]
    expect(plan[:dose]).to eq({hold_s: 65, first_rest_s: 110, rest_step_s: 15, rest_floor_s: 30, rounds: 6})
    expect(plan[:segments].sum { |segment| segment[:seconds] }).to eq plan[:seconds]
    expect(plan[:holds].map { |hold| hold[:seconds] }).to eq [65] * 6
    expect(ask("plan", protocol: "hiss-ladder", dose: {top_beats: 8, tempo: 60})).to include(seconds: 40, holds: nil)
  end

  it "plans what it can simulate: the segments go back in as they came out" do
    plan = ask("plan", protocol: "single-hold", rung: 0, athlete: athlete, measures: known)

    expect(ask("simulate", athlete: athlete, segments: plan[:segments])[:holds]).to eq plan[:holds]
  end

  it "lists rungs, cut and cared for where an athlete is given" do
    expect(ask("ladder", protocol: "small-holds", measures: known, limits: {hold_s: 6})[:rungs].last).to eq(
      {hold_s: 6, minutes: 8, sets: 3}
    )
    expect(ask("ladder", protocol: "loaded-holds", measures: known, athlete: athlete)).to include(
      reason: /under 75 %/,
      care: be_an(Array)
    )
    expect(ask("ladder", protocol: "co2-table", measures: {})).to eq(
      {rungs: [], reason: "Carbon-dioxide table needs a maximal hold first."}
    )
  end

  it "judges a session among those before it" do
    before = {
      date: "2026-03-01",
      protocol: "co2-table",
      rung: 2,
      effort: 5,
      rounds: [smooth.merge(target_s: 65, held_s: 65)] * 6
    }
    session = {
      date: "2026-03-02",
      effort: 6,
      symptoms: [],
      rounds_planned: 6,
      rounds: [smooth.merge(target_s: 65, held_s: 65)] * 6
    }
    question = {protocol: "co2-table", rung: 2, measures: known, session: session}

    expect(ask("judge", question)).to match(
      {verdict: "repeat", rung: 2, clean: true, reasons: [{rule: "repeat.count", text: /\S/}]}
    )
    expect(ask("judge", question.merge(history: [before]))).to include(verdict: "advance", rung: 3)
    expect(ask("judge", question.merge(session: session.merge(symptoms: ["cyanosis"])))).to include(
      verdict: "stop",
      rung: 0
    )
    expect(ask("judge", question.merge(rung: 0, session: session.merge(effort: 9)))).to include(
      verdict: "ease",
      rung: 0,
      reduced: true
    )
  end

  it "says whether a day is one for it" do
    day = {date: "2026-03-02", protocol: "co2-table", rung: 3, measures: known, screen: {answered_on: "2026-01-01"}}

    expect(ask("ready", day)).to include(ready: "yes", rung: 3, reasons: [])
    expect(ask("ready", day.merge(today: ["wheezy"]))).to include(
      ready: "block",
      reasons: [{rule: "block.today", text: "Today: wheezy or tight in the chest.", lifts: "Until a day without it."}]
    )
    expect(
      ask("ready", day.merge(history: [{date: "2026-02-10", protocol: "co2-table", rung: 3, rounds: [smooth]}]))
    ).to include(ready: "yes", rung: 2)
    expect(ask("ready", day.merge(protocol: "maximal-test", watcher: "Ada"))).to include(ready: "yes", rung: nil)
  end

  it "says so too where no dose can be computed, with the morning scores for a control pause where there is none" do
    bare = {
      date: "2026-03-16",
      protocol: "co2-table",
      rung: 3,
      screen: {answered_on: "2026-01-01"},
      history: [{date: "2026-03-01", protocol: "co2-table", rung: 3}]
    }
    scores = {
      morning_control_pauses: [
        {date: "2026-03-15", seconds: 22},
        {date: "2026-03-16", seconds: 9, valid: false},
        {date: "2026-03-17", seconds: 40}
      ]
    }

    expect(ask("ready", bare)).to include(ready: "yes", rung: 2, dose: nil, reasons: [include(rule: "back.layoff")])
    expect(ask("ready", bare.merge(protocol: "small-holds", rung: 0, history: [], measures: scores))).to include(
      dose: {
        hold_s: 5,
        minutes: 5,
        sets: 2
      }
    )
    expect(ask("ready", bare.merge(measures: {maximal_hold_s: 38}))).to eq [
      "measures: Carbon-dioxide table needs a maximal hold of 40 s or more; it is 38 s."
    ]
  end

  it "lists the library: every family with its parameters, limits and cautions" do
    library = ask("protocols", nil)

    expect(library.map { |entry| entry[:id] }).to eq Windlass::Protocols::ALL.map(&:id)
    expect(library.flat_map { |entry| entry[:parameters] }).to all(
      include(:key, :words).and(include(:minimum, :maximum, :step).or(include(:choices)))
    )
    expect(library.map { |entry| entry[:cautions] }).to all(be_any)
    expect(library.find { |entry| entry[:id] == "co2-table" }[:levers]).to eq [
      {key: "first_rest_s", step: -10, harder: "down", limit: 60},
      {key: "hold_s", step: 5, harder: "up", limit: "60 % of the maximal hold"},
      {key: "rounds", step: 1, harder: "up", limit: 8}
    ]
  end

  # Their answers stand in the page in part: every key that is there is as it is there.
  describe "the published examples" do
    page = File.read(File.expand_path("../../docs/formats/commands.md", __dir__))
    examples = page.scan(/^## ([\w-]+)\n.*?```json\n(.*?)```\n\n```json\n(.*?)```/m)

    it "are one for every command that reads" do
      expect(examples.map(&:first)).to eq %w[plan cues ladder judge ready stagger hiss programme log-line surface]
    end

    examples.each do |command, input, answer|
      it "are true of #{command}" do
        expect(ask(command, JSON.parse(input))).to include JSON.parse(answer, symbolize_names: true)
      end
    end

    it "are true of a protocol of one's own" do
      yaml = File.read(File.expand_path("../../docs/formats/own-protocol.md", __dir__))[/```yaml\n(.*?)```/m, 1]
      given = Windlass::Formats::OwnProtocol::Reader.read(yaml)

      expect(Windlass::Formats::OwnProtocol::Writer.write(given)).to eq "---\n#{yaml}"
    end
  end

  refused = {
    ["plan", {protocol: "o3-table"}] => /\Aprotocol: "o3-table" does not exist; known: small-holds, /,
    ["plan", {protocol: "ratio", dose: {pattern: [4, 2, -1, 0], count_s: 1, rounds: 2.5}}] => [
      "dose.pattern: [4, 2, -1, 0] is not allowed; allowed: 4 numbers of 0 to 32",
      "dose.rounds: 2.5 is not allowed; allowed: 1 to 40 rounds"
    ],
    ["plan", {protocol: "ratio", rung: 0, dose: {}}] => "rung: comes with a dose; allowed: the one or the other",
    ["plan", {protocol: "co2-table", rung: 11, measures: known}] => "rung: 11 is not allowed; allowed: 0 to 10",
    ["ladder", {protocol: "ratio", measures: known, limits: {hold_s: 3}}] => "limits.hold_s: is not known here",
    ["judge", {protocol: "co2-table", rung: 0, measures: known, session: {date: "2099-01-01"}}] =>
      /\Asession.date: "2099-01-01" is not allowed; allowed: up to today/,
    ["judge", {protocol: "co2-table", rung: 0, measures: {}, session: {date: "2026-03-02"}}] =>
      "measures: Carbon-dioxide table needs a maximal hold first.",
    [
      "judge",
      {
        protocol: "co2-table",
        rung: 0,
        measures: known,
        session: {
          date: "2026-03-02",
          rounds: [{held_s: -4}],
          symptoms: ["yawning"]
        }
      }
    ] => [
      "session.rounds[0].held_s: -4 is not allowed; allowed: a number or null, 0 to 1200",
      /\Asession.symptoms\[0\]: "yawning" is not allowed; allowed: blackout/
    ],
    [
      "judge",
      {
        protocol: "co2-table",
        rung: 0,
        measures: known,
        session: {date: "2026-03-02"},
        history: [{date: "2026-02-30"}]
      }
    ] =>
      'history[0].date: "2026-02-30" is not allowed; allowed: a day such as 2026-03-02',
    ["stagger", {gap_s: 0, lanes: [{id: "a", seconds: 10, holds: [[-1, 5]]}]}] => [
      "gap_s: 0 is not allowed; allowed: a number, 4 to 15",
      "lanes[0].holds[0][0]: -1 is not allowed; allowed: a number, 0 to 14400"
    ],
    [
      "stagger",
      {lanes: [{id: "a", seconds: 100, holds: [[90, 20]], pair: "b"}, {id: "b", seconds: 100, holds: []}]}
    ] => [
      'lanes[0].pair: "b" is not allowed; allowed: another lane that names a as its pair',
      "lanes[0].holds[0]: 90 to 110 s is not allowed; allowed: within the 100 s of the lane"
    ],
    ["hiss", {tempo: 500, levels_db: ["loud"]}] => [
      "tempo: 500 is not allowed; allowed: a number, 20 to 200",
      'levels_db[0]: "loud" is not allowed; allowed: a number, -200 to 100'
    ],
    [
      "plan",
      {
        protocol: "blocks",
        dose: {blocks: [{protocol: "ratio", dose: {pattern: [4, 2, 4, 2], count_s: 9, rounds: 1}}]}
      }
    ] =>
      "dose.blocks[0].dose.count_s: 9 is not allowed; allowed: 0.4 to 2 s a count",
    [
      "programme",
      {
        from: "2026-03-02",
        weeks: 0,
        slots: [{day: "moon", at: "07:00", minutes: 30}],
        trainings: [],
        screen: {},
        easy_every: 9
      }
    ] => [
      "weeks: 0 is not allowed; allowed: a whole number, 1 to 26",
      'slots[0].day: "moon" is not allowed; allowed: mon, tue, wed, thu, fri, sat, sun',
      "easy_every: 9 is not allowed; allowed: a whole number or null, 3 to 6"
    ],
    [
      "programme",
      {from: "2026-03-02", weeks: 1, slots: [{day: "mon", at: "24:00", minutes: 30}], trainings: [], screen: {}}
    ] =>
      'slots[0].at: "24:00" is not allowed; allowed: a time of day such as 07:00',
    [
      "programme",
      {
        from: "2026-03-02",
        weeks: 1,
        slots: [{day: "mon", at: "07:00", minutes: 30}, {day: "mon", at: "07:20", minutes: 30}],
        trainings: [],
        screen: {}
      }
    ] =>
      "slots: mon 07:00 and mon 07:20 overlap; allowed: one after the other",
    [
      "programme",
      {
        from: "2026-03-02",
        weeks: 1,
        slots: [],
        trainings: [{protocol: "co2-table", rung: 99, times_a_week: 1}],
        measures: known,
        screen: {}
      }
    ] =>
      "trainings[0].rung: 99 is not allowed; allowed: 0 to 10",
    [
      "programme",
      {from: "2026-03-02", weeks: 1, slots: [], trainings: [{protocol: "o3-table", times_a_week: 1}], screen: {}}
    ] =>
      /\Atrainings\[0\]\.protocol: "o3-table" does not exist; known: small-holds, /,
    [
      "programme",
      {
        from: "2026-03-02",
        weeks: 1,
        slots: [],
        trainings: [],
        screen: {},
        absences: [{from: "2026-03-04", to: "2026-03-03"}]
      }
    ] =>
      "absences[0].to: 2026-03-03 is before 2026-03-04; allowed: the same day or later",
    ["ladder", {protocol: "blocks"}] => 'protocol: "blocks" has no dose of its own; allowed: plan, with a dose',
    ["ready", {date: "2026-03-02", protocol: "ratio", screen: {conditions: ["hiccups"]}}] =>
      /\Ascreen.conditions: "hiccups" is not allowed; allowed: heart, /
  }

  refused.each do |(command, input), faults|
    it "refuses #{command} of #{JSON.generate(input)[0, 60]}" do
      expect(ask(command, input)).to match_array Array(faults)
    end
  end
end
