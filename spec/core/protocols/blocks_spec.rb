# frozen_string_literal: true

# A session of blocks: progression.md 6. Worked by hand.
RSpec.describe Windlass::Protocols::Blocks do
  core = Windlass::Progression
  given =
    Windlass::Protocols.dose(
      {
        blocks: [
          {
            protocol: "co2-table",
            dose: {hold_s: 50, first_rest_s: 60, rest_step_s: 0, rest_floor_s: 60, rounds: 4}
          },
          {protocol: "hiss-ladder", dose: {top_beats: 12, tempo: 66}, repeats: 2, after: "wait"},
          {protocol: "quiet-breathing", dose: {in_s: 3, out_s: 6, minutes: 2}}
        ]
      }
    )
  session_of_blocks = described_class.find("blocks").bound(given)

  def values = measures(25, maximal_hold_s: 120)

  define_method(:standing) do |rung = 0|
    core::Standing.at(core::Ladder.new(session_of_blocks, values, from: given), rung)
  end

  # Whole and clean unless said. Parts: four holds, then twice four exhales.
  define_method(:session) do |rounds: {}, on: Builders::MONDAY, rung: 0, **changes|
    dose = standing(rung).dose
    asked = session_of_blocks.asked_after(dose)
    done =
      session_of_blocks
        .judged_parts(session_of_blocks.compile(dose))
        .map
        .with_index(1) do |part, number|
          core::Round.new(
            number: number,
            target_s: part.ms/1000r,
            held_s: part.ms/1000r,
            first_breath: asked.include?(number) ? :smooth : nil
          ).with(**rounds.fetch(number, {}))
        end
    core::Session.new(
      id: on.to_s,
      date: on,
      protocol: "blocks",
      dose: dose,
      rounds: done,
      effort: 4,
      seconds_done: session_of_blocks.seconds(dose),
      ribs: :always,
      **changes
    )
  end

  define_method(:verdict) do |one, history: [], rung: 0|
    core::Judge.judge(one, history: history, standing: standing(rung))
  end

  it "is one line and one total: its blocks in order, as often as they come, between them nothing or a wait" do
    line = session_of_blocks.compile(given)
    wait = line.segments.find { |one| one.until == :word }

    expect(
      [session_of_blocks.judged_parts(line).size, session_of_blocks.asked_after(given), wait.cue, wait.ends]
    ).to eq [12, Set[1, 2, 3, 4], "Wait for the coach. Next: quiet breathing", :hand]
    expect(line.segments.filter_map(&:block).chunk_while { |one, other| one == other }.map(&:first)).to eq [1, 2, 3, 4]
    expect(line.total_ms).to eq line.segments.sum(&:ms)
    expect(
      session_of_blocks.in_words(given)
    ).to eq "Carbon-dioxide table: 4 holds of 50 s, rests from 1:00 down to 1:00; then Hiss ladder: 8 to 12 beats " \
      "of hiss, each twice, 66 beats a minute, 2 times, wait for the coach; then Quiet breathing: 13 breaths, in 3 " \
      "s and out 6 s, 2 min"
  end

  it "is what the strictest of its blocks is" do
    expect(
      [
        session_of_blocks.columns(given),
        session_of_blocks.once_a_day?,
        session_of_blocks.strenuous?,
        session_of_blocks.clean_sessions,
        session_of_blocks.needs
      ]
    ).to eq [%i[tables voice], true, false, 2, {maximal_hold_s: 40}]
    expect(session_of_blocks.lacking(measures(25))).to include "needs a maximal hold first"
    screen = Windlass::Screening::Screen.new(answered_on: Builders::MONDAY - 9, conditions: [:glaucoma_hernia], age: 30)
    ready =
      core::Readiness.of(
        core::Situation.new(
          date: Builders::MONDAY,
          activity: session_of_blocks,
          screen: screen,
          standing: standing,
          measures: values
        )
      )
    expect([ready.state, ready.reasons.first.rule]).to eq [:block, "block.screening"]
  end

  it "counts as what is in it, the days before and after" do
    past = core::Outline.new(id: 1, date: Builders::MONDAY, protocol: "blocks:tuesday", dose: given)
    screen = Windlass::Screening::Screen.new(answered_on: Builders::MONDAY - 9, age: 30)
    table = Windlass::Protocols.find("co2-table")
    rules =
      [0, 1].map do |days|
        core::Readiness
          .of(
            core::Situation.new(
              date: Builders::MONDAY + days,
              activity: table,
              screen: screen,
              history: [past, past.with(id: 2, date: Builders::MONDAY - 1)],
              standing: core::Standing.of(table, values),
              measures: values
            )
          )
          .reasons
          .map(&:rule)
      end

    expect(rules).to eq [["wait.day"], ["wait.day"]]
    deep = Windlass::Protocols.dose({blocks: [{protocol: "bellows", dose: {gear_s: 15, hold_s: 15, rounds: 1}}]})
    expect([deep, given].map { |dose| past.with(dose: dose).over_breathed }).to eq [true, false]
  end

  it "does not count a hiss of one block whose ribs nobody saw" do
    expect(
      [{ribs: :always}, {ribs: nil}].map do |ribs|
        verdict(session(**ribs)).reasons.map(&:rule).include?("repeat.unmarked") || !verdict(session(**ribs)).clean
      end
    ).to eq [false, true]
  end

  it "steps one number of one block, once it was clean often enough" do
    first = session(on: Builders::MONDAY - 2)

    expect([verdict(first).verdict, verdict(session, history: [first]).verdict]).to eq %i[repeat advance]
    expect(standing.ladder.rungs.each_cons(2)).to all(
      satisfy do |below, above|
        session_of_blocks.levers.count { |lever| lever.value(below) != lever.value(above) } == 1
      end
    )
    expect(standing.ladder.rungs[1][:blocks].map { |one| one[:dose] }).to eq [
      given[:blocks][0][:dose].merge(hold_s: 55),
      *given[:blocks].drop(1).map { |one| one[:dose] }
    ]
  end

  it "moves a series alike, each from where it stands, and no further than the hardest of it may go" do
    block = ->(hold_s, **more) { {protocol: "small-holds", dose: {hold_s: hold_s, minutes: 4}, **more} }
    dose = Windlass::Protocols.dose({blocks: [block[5, series: 1], block[3], block[4, series: 1]]})
    blocks = Windlass::Protocols.find("blocks").bound(dose)
    lever = blocks.levers.find { |one| one.key == :block_1_hold_s }
    holds = ->(one) { one[:blocks].map { |given| given[:dose][:hold_s] } }

    expect(blocks.levers.map(&:key)).to eq %i[
      block_1_sets block_1_minutes block_1_hold_s block_2_sets block_2_minutes block_2_hold_s
    ]
    expect([lever.words, lever.value(dose)]).to match [/\Ablocks 1 and 3, /, 5]
    expect([holds[lever.stepped(dose)], holds[lever.at(dose, 8)]]).to eq [[6, 3, 5], [8, 3, 7]]
    expect(lever.limit_for(measures(control_pause_s: 12), {block_1_hold_s: 5})).to eq 5
    expect(blocks.faults({blocks: [block[5, series: 0]]})).to include(
      "blocks[0].series" => "0 is not allowed; allowed: nothing, or 1 to 20"
    )
  end

  it "is judged block by block; the strongest verdict leads, and says in which" do
    cases = {
      {2 => {first_breath: :gasp}} => [:repeat, "1 gasp: round 2 of block 1, carbon-dioxide table."],
      {
        2 => {first_breath: :gasp},
        3 => {first_breath: :gasp}
      } => [:ease, "2 gasps: rounds 2 and 3 of block 1, carbon-dioxide table."],
      {
        6 => {held_s: 2},
        9 => {held_s: 2}
      } => [
        :repeat,
        "2 parts: round 2 of block 2, hiss ladder, round 1 of block 2, hiss ladder under 90 % of the target."
      ],
      {
        6 => {held_s: 2},
        7 => {held_s: 2}
      } => [:ease, "2 parts: rounds 2 and 3 of block 2, hiss ladder under 90 % of the target."],
      {
        1 => {first_breath: nil}
      } => [:repeat, "Not the whole dose: 1 first breath not noted (round 1 of block 1, carbon-dioxide table)."]
    }

    expect(
      cases.keys.map { |rounds| verdict(session(rounds: rounds)).then { |one| [one.verdict, one.reasons.first.text] } }
    ).to eq cases.values
    expect(verdict(session(seconds_done: 300)).reasons.map(&:rule)).to include "repeat.unfinished"
    expect(verdict(session(symptoms: [:blackout])).verdict).to eq :stop
  end

  it "eases to a shorter hold of the block that it was too long in, and at the bottom halves what has a half" do
    # Rung 4: the table's hold, the top hiss, the tempo and the minutes have stepped.
    gasps = session(rung: 4, rounds: {1 => {first_breath: :gasp}, 2 => {first_breath: :gasp}})

    expect(verdict(gasps, rung: 4).target.rung).to eq 0
    # A fault more, in another block, never leads higher.
    expect(
      verdict(
        session(rung: 4, rounds: {1 => {first_breath: :gasp}, 2 => {first_breath: :gasp}, 5 => {held_s: 2}}),
        rung: 4
      ).target.rung
    ).to eq 0
    expect(
      verdict(session(rounds: {1 => {first_breath: :gasp}, 2 => {first_breath: :gasp}})).target.dose[
        :blocks
      ].map { |one| one[:dose].slice(:rounds, :top_beats, :minutes) }
    ).to eq [{rounds: 2}, {top_beats: 8}, {minutes: 1}]
  end

  it "carries gases over, and caps a hold by all that was breathed before it" do
    rounds = {breaths: 30, recovery_hold_s: 10, rounds: 1, rest_s: 10, settle_s: 0}
    twice =
      Windlass::Protocols.dose(
        {blocks: [{protocol: "deep-rounds", dose: rounds}, {protocol: "deep-rounds", dose: rounds}]}
      )
    caps = described_class.find("blocks").bound(twice).fitted(twice, body)[:blocks].map { |one| one[:dose][:cap_s] }
    line = described_class.find("blocks").bound(twice).compile(twice)
    alone, whole =
      [line.segments.select { |one| one.block == 2 }, line.segments].map do |segments|
        Windlass::Physiology::Model.new(body(posture: :lying)).forecast(segments).holds[-2].co2_washout
      end

    expect([whole > alone, caps.uniq.size]).to eq [true, 2]
    own =
      described_class
        .find("blocks")
        .bound(twice)
        .bounded(line, twice, body)
        .holds
        .select { |place| place.segment.limited? }
    expect(own.map { |place| place.segment.caps_s.last }).to all(be <= 90)
  end

  it "refuses what is no session, with the place" do
    faults =
      session_of_blocks.faults(
        Windlass::Protocols.dose(
          {
            blocks: [
              {protocol: "juggling", dose: {}},
              {protocol: "co2-table", dose: given[:blocks][0][:dose].merge(hold_s: 900), repeats: 99, after: "soon"},
              3
            ]
          }
        )
      )

    expect(faults.keys).to eq [
      "blocks[0].protocol", "blocks[1].dose.hold_s", "blocks[1].repeats", "blocks[1].after", "blocks[2]"
    ]
    expect(faults["blocks[1].after"]).to eq '"soon" is not allowed; allowed: nothing, 1 to 1200 s, or wait'
    expect([{}, {blocks: []}, {blocks: 7}].map { |dose| session_of_blocks.faults(dose).keys }).to eq [["blocks"]] *
      3
  end
end
