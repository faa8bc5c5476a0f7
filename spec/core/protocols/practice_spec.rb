# frozen_string_literal: true

# Sessions of the trade as practitioners do them: each is a dose that a coach can compose, written segment by segment.
# Common practice, no source.
RSpec.describe "Sessions of the trade" do
  levels = {residual: "residual", passive: "passive", easy: "easy", big: "big", full: "full"}

  define_method(:compiled) do |id, dose|
    family = Windlass::Protocols.find(id)
    given = Windlass::Protocols.dose(dose)
    expect(family.faults(given)).to eq({})
    family = family.bound(given)
    @family = family
    family.compile(family.fitted(family.lean(given), body))
  end

  def blocks(*parts) = {blocks: parts.map { |family, dose, more| {protocol: family, dose: dose, **more.to_h} }}

  # `in 4 easy left (root)`: what, how long, where to, by which side, narrowed, under which locks, how often in a row.
  define_method(:written) do |segments|
    lines =
      segments.map do |one|
        word = {
          inhale: "in",
          exhale: one.sound&.to_s || "out",
          hold: "hold",
          breathe: one.repetitions ? "work" : "breathe"
        }.fetch(one.kind)
        size = (one.kind == :exhale && one.depth&.positive? && !one.left) ? "half" : levels[one.to]
        [
          word,
          (one.breaths || one.repetitions || one.beats)&.then { |count| "#{Windlass::Words.number(count)}×" } ||
            Windlass::Words.number(one.seconds),
          size,
          one.route,
          ("narrowed" if one.narrowed),
          ("(#{one.locks.join(" ")})" if one.locks)
        ].compact.join(" ")
      end
    lines
      .chunk_while { |one, other| one == other }
      .map { |same| (same.size > 1) ? "#{same.size} × #{same.first}" : same.first }
  end

  def of_round(line, number, block: nil) = line.segments.select { |one| one.round == number && one.block == block }

  it "surf: ten repetitions, 20 s on a big breath in a plank, three prone breaths, straight on, three times, " \
    "entered spent" do
    line =
      compiled("loaded-holds", repetitions: 10, hold_s: 20, breaths: 3, rounds: 3, settle_s: 0, entered: "vigorous")

    expect(written(line.segments)).to eq ["work 10×", "in 2 big", "hold 20", "out 2 passive", "breathe 3×"] * 3
    rested, spent =
      [[], line.before].map do |before|
        Windlass::Physiology::Model.new(body, control_pause_s: 25).forecast(line.segments, before: before).holds.first
      end
    expect(
      [
        spent.po2_start < rested.po2_start,
        spent.sao2_min < rested.sao2_min,
        (spent.start_s - rested.start_s).abs < 1e-6
      ]
    ).to all(be true)
  end

  it "apnoea: a full breath of 4 + 4 + 2 s after three medium lead-in breaths, its washout checked" do
    line =
      compiled(
        "full-breath", hold_s: 12, breaths: 1, leads: 3, lead_size: "big", throat: "audible", shoulders: "up",
        rest_breaths: 4
      )

    expect(written(line.segments)).to eq [
      "breathe 60",
      *["in 3 big nose", "out 4 passive mouth"] * 3,
      "in 4 easy mouth narrowed",
      "in 4 big mouth narrowed",
      "in 2 full mouth",
      "hold 12",
      "out 4 passive",
      "breathe 4×"
    ]
    expect(line.segments.select { |one| one.route == :mouth && one.kind == :inhale }.map(&:cue)).to all(
      include("throat audible")
    )
    over = compiled("single-hold", in_s: 3, out_s: 6, breathe_up_s: 120, hold_s: 60, holds: 1, leads: 4)
    expect(written(over.segments).count("in 4 big")).to eq 4
    lean = body(height_cm: 160, mass_kg: 48, sex: :female, vital_capacity_l: 6.0)
    objection =
      Windlass::Progression::Outlook.new(lean).objection(
        @family,
        {in_s: 3, out_s: 6, breathe_up_s: 120, hold_s: 60, holds: 1, leads: 4}
      )
    expect(objection).to match(/\AA hold would begin over-breathed: \d/)
  end

  it "relaxing: 4:2:4:2 by the heartbeat, then 6:3:6:3 full only for three rounds, then empty too" do
    pulse = 60 / 72r
    line =
      compiled(
        "blocks",
        blocks(
          ["ratio", {pattern: [4, 2, 4, 2], count_s: pulse, rounds: 6, counted_by: "heartbeat"}],
          ["ratio", {pattern: [6, 3, 6, 0], count_s: pulse, rounds: 3}],
          ["ratio", {pattern: [6, 3, 6, 3], count_s: pulse, rounds: 3}]
        )
      )

    expect(written(of_round(line, 1, block: 1))).to eq ["in 4× easy", "hold 2×", "out 4× passive", "hold 2×"]
    expect(written(of_round(line, 3, block: 2))).to eq ["in 6× easy", "hold 3×", "out 6× passive"]
    expect(
      @family.runs.first.then { |one| one.protocol.in_words(one.dose) }
    ).to eq "6 rounds of 4 : 2 : 4 : 2, 72 beats a minute, counted by the heartbeat"
    expect(line.total_ms).to eq((((12 * 6) + (15 * 3) + (18 * 3)) * pulse * 1000).round)
  end

  it "over-breathing, full: twenty breaths out by half at 1.4 s, full hold 20 s on a word, three rounds with 20 s " \
    "between, six minutes of quiet" do
    deep = {
      breaths: 20, recovery_hold_s: 10, rounds: 3, retention: "full", hold_s: 20, in_s: 1.4, out_s: 1.4, out_to: "half",
      rest_s: 20
    }
    line = compiled("blocks", blocks(["deep-rounds", deep], ["quiet-breathing", {in_s: 3, out_s: 6, minutes: 6}]))
    round = written(of_round(line, 2, block: 1))

    expect(round.first(2) + round.last(5)).to eq [
      "in 1.4 big", "out 1.4 half", "out 1.4 passive", "in 3 full", "hold 20", "out 3 passive", "breathe 17"
    ]
    expect(
      [
        line.holds.map { |place| [place.segment.seconds, place.segment.ends] }.uniq,
        line.segments.select { |one| one.block == 2 }.sum(&:ms)
      ]
    ).to eq [[[20, :clock]], 360_000]
  end

  it "over-breathing, empty: thirty breaths, complete exhale, empty to the urge under its cap, recovery 10 s, three " \
    "rounds" do
    line = compiled("deep-rounds", breaths: 30, recovery_hold_s: 10, rounds: 3, last_out: "complete")
    round = written(of_round(line, 3))

    expect([round.size, round.last(6)]).to match [
      65,
      ["out 1.6 residual", match(/\Ahold \d\d\z/), "in 3 full", "hold 10", "out 3 passive", "breathe 87"]
    ]
    expect(line.holds.map { |place| place.segment.ends }).to eq %i[cap clock] * 3
    broken =
      compiled(
        "deep-rounds",
        breaths: 30,
        recovery_hold_s: 10,
        rounds: 3,
        hold_s: 15,
        breaks: [{round: 2, hold_s: 80}]
      )
    expect(broken.holds[2].segment.seconds).to eq broken.holds[2].segment.at_most_ms / 1000
  end

  it "voice: hiss 8 8 12 12 16 16 at 69, in 4, keep 4, out, let go 4; and from a chosen rung, each once, after " \
    "practice lines" do
    beat = 60 / 69r
    line = compiled("hiss-ladder", top_beats: 16, tempo: 69)

    expect(written(line.segments)).to eq(
      [8, 8, 12, 12, 16, 16].flat_map { |beats| ["in 4× big", "hold 4×", "hiss #{beats}× passive", "breathe 4×"] }
    )
    expect(line.total_ms).to eq((144 * beat * 1000).round)
    chosen =
      written(
        compiled(
          "hiss-ladder", top_beats: 24, from_beats: 16, tempo: 60, each: "1", practice: "keep", let_go_beats: 2
        ).segments
      )
    expect(chosen.first(5) + chosen.grep(/hiss/)).to eq [
      "in 4× big", "breathe 2×", "in 4× big", "hold 4×", "breathe 2×", "hiss 16× passive", "hiss 20× passive",
      "hiss 24× passive"
    ]
  end

  it "voice: two sniffs, blow 2 hiss 2 sh 2 SH 2, empty 2 4 6 8, no rest, then notes to 10, then released" do
    line =
      compiled(
        "stacked-exhale", longest_hold_s: 8, sung_hold_s: 10, repeats: 1, rest_s: 0, note: "A3", note_step: 2,
        released: 5, settle_s: 0
      )
    staged, sung = line.segments.partition { |one| (one.round || 0) <= 4 }

    expect(written(staged)).to eq [2, 4, 6, 8].flat_map { |hold_s|
      ["2 × in 1 big nose", "blow 2 passive", "hiss 2 passive", "2 × shush 2 passive", "hold #{hold_s}"]
    }
    expect(sung.select(&:hold?).map(&:seconds)).to eq [2, 4, 6, 8, 10]
    # Equal temperament: whole tones above A3, 220 Hz; what is released begins on the first.
    expect(sung.filter_map(&:tone_hz)).to eq [220.0, 246.9, 277.2, 311.1, 349.2] + [220.0] * 5
    expect(written(sung).last(2)).to eq ["4 × in 1 big nose", "note 8 passive"]
    afterwards = compiled("stacked-exhale", longest_hold_s: 2, repeats: 1, form: "released", released: 6)
    expect([afterwards.holds.size, afterwards.sounds.size, @family.judged_parts(afterwards).size]).to eq [0, 6, 6]
  end

  # The school's warm-ups: no voice session reads as over-breathing, whoever it is.
  it "voice: washes out less than over-breathing would, in warm-ups with and without rest" do
    sessions = [
      ["stacked-exhale", {longest_hold_s: 8, sung_hold_s: 10, repeats: 1, rest_s: 0, released: 5}],
      ["stacked-exhale", {longest_hold_s: 10, repeats: 3}],
      ["hiss-ladder", {top_beats: 16, tempo: 69}],
      ["hiss-ladder", {top_beats: 40, tempo: 60}]
    ]
    bodies = [
      body,
      body(height_cm: 160, mass_kg: 48, sex: :female, vital_capacity_l: 6.0),
      body(height_cm: 185, mass_kg: 58),
      body(mass_kg: 110, age: 60)
    ]
    washouts =
      bodies
        .product(sessions)
        .map do |one, (id, dose)|
          Windlass::Physiology::Model
            .new(one)
            .forecast(Windlass::Protocols.find(id).compile(dose, one).segments)
            .holds
            .map(&:co2_washout)
            .max
        end

    expect(washouts).to all(be < Windlass::Physiology::OVER_BREATHED_MMHG)
  end

  it "nostril: four rounds of three one-way cycles, left in, right out, root lock, a restoring breath after every " \
    "one, narrowing built up" do
    dose = ->(narrow) do
      {
        stage: 0, cycles: 3, rounds: 1, count_s: 1, form: "cooling", narrow: narrow, retention: "full", root: "full",
        empty_first: "none"
      }
    end
    line = compiled("blocks", blocks(*%w[none in out both].map { |narrow| ["alternate-nostril", dose[narrow]] }))
    cycles = (1..4).map { |block| written(of_round(line, 1, block: block)) }

    expect(cycles.first).to eq ["in 4× easy left", "hold 4× (root)", "out 6× passive right", "breathe 1× both"] * 3
    expect(cycles.map { |cycle| cycle.values_at(0, 2) }).to eq [
      ["in 4× easy left", "out 6× passive right"],
      ["in 4× easy left narrowed", "out 6× passive right"],
      ["in 4× easy left", "out 6× passive right narrowed"],
      ["in 4× easy left narrowed", "out 6× passive right narrowed"]
    ]
    expect(line.segments.first(4).map(&:cue)).to eq [
      "In left: close right, open left",
      "Hold, full, root lock, light",
      "Out right: close left, open right",
      "Hand down: a restoring breath, both sides open"
    ]
    expect(
      [
        line.holds.first.segment.calls,
        @family.switches_needed(Windlass::Protocols.dose(blocks(["alternate-nostril", dose["in"]])))
      ]
    ).to eq [[[3000, "Let the lock go"]], [:locks]]
  end

  it "nostril: five blocks of two cycles both ways: full, full with root, empty, empty with abdominal, both with " \
    "both" do
    choices = [
      {retention: "full"},
      {retention: "full", root: "full"},
      {retention: "empty"},
      {retention: "empty", abdominal: "empty"},
      {retention: "both", root: "both", abdominal: "empty"}
    ]
    line =
      compiled(
        "blocks",
        blocks(
          *choices.map { |choice| ["alternate-nostril", {stage: 0, cycles: 2, rounds: 1, count_s: 1, **choice}] }
        )
      )
    held =
      line
        .holds
        .group_by { |place| place.segment.block }
        .values
        .map { |holds| [holds.size, holds.map { |place| [line.lungs_at(place), place.segment.locks] }.uniq] }

    expect(held).to eq [
      [4, [[:full, nil]]],
      [4, [[:full, [:root]]]],
      [4, [[:empty, nil]]],
      [4, [[:empty, [:abdominal]]]],
      [8, [[:full, [:root]], [:empty, %i[root abdominal]]]]
    ]
    expect(line.segments.count { |one| one.breaths == 1 }).to eq 10
  end

  it "nostril: right in, left out 4:16:8 nine rounds at 0.8 s after an opening breath, throat lock let go two " \
    "counts early" do
    line =
      compiled(
        "alternate-nostril",
        stage: 0,
        cycles: 1,
        rounds: 9,
        count_s: 0.8,
        form: "warming",
        counts: [4, 16, 8, 0],
        throat: "full",
        let_go: 2,
        restoring: 0,
        opening: 1,
        empty_first: "none"
      )

    expect(written(line.segments)).to eq [
      "breathe 1×",
      *["in 4× easy right", "hold 16× (throat)", "out 8× passive left"] * 9
    ]
    expect([line.total_ms, line.holds.map { |place| place.segment.calls }.uniq]).to eq [
      5000 + 9 * 28 * 800,
      [[[11_200, "Let the lock go"]]]
    ]
  end

  it "nostril: three cycles before two restoring breaths, both sides emptied first, throat lock kept throughout, " \
    "root kept in the breath out" do
    line =
      compiled(
        "alternate-nostril", stage: 0, cycles: 3, rounds: 1, count_s: 1, form: "left-only", retention: "full",
        throat: "throughout", root: "full and out", restore_after: 3, restoring: 2, empty_first: "both"
      )

    expect(written(line.segments)).to eq [
      "out 6× passive both",
      *["in 4× easy left (throat)", "hold 4× (throat root)", "out 6× passive left (throat root)"] * 3,
      "2 × breathe 1× both"
    ]
    expect(
      [
        line.holds.map { |place| place.segment.calls }.uniq,
        @family.asked_after({stage: 0, cycles: 3, rounds: 1, count_s: 1, retention: "full", restore_after: 3})
      ]
    ).to eq [[nil], Set[6]]
  end

  it "bellows: 15 s each gear, three rounds, holds 20 20 25, rests 20; gears of their own; from the breath out" do
    line = compiled("bellows", gear_s: 15, hold_s: 20, last_hold_s: 25, rounds: 3, rest_s: 20)
    gears = of_round(line, 1).take_while { |one| one.to != :full }

    expect(
      [
        line.holds.map { |place| place.segment.seconds },
        line.segments.select(&:rest?).map { |one| one.seconds + 4 }.uniq,
        @family.longest_hold_s({hold_s: 20, last_hold_s: 25})
      ]
    ).to eq [[20, 20, 25], [20], 25]
    expect(
      gears
        .chunk_while { |one, other| one.cue[/\w+ gear/] == other.cue[/\w+ gear/] }
        .map { |gear| [gear.sum(&:ms), gear.size / 2] }
    ).to eq [[15_000, 10], [15_000, 20], [15_000, 30]]
    own =
      of_round(
        compiled(
          "bellows", gear_s: 20, second_gear_s: 10, third_gear_s: 0, pace_s: 2, hold_s: 20, rounds: 1, begins: "out"
        ),
        1
      )
    expect(written(own).first(4)).to eq ["out 1 passive nose", "in 1 easy nose"] * 2
    expect(own.take_while { |one| one.to != :full }.sum(&:ms)).to eq 30_000
  end

  it "apnoea: breathe-up 3:6 and three dives with twice the dive between, as a stopwatch sees it; the last one told" do
    line =
      compiled(
        "single-hold",
        in_s: 3,
        out_s: 6,
        breathe_up_s: 120,
        hold_s: 60,
        holds: 3,
        rest_s: 120,
        breaks: [{round: 3, hold_s: 35}]
      )

    expect(line.holds.map { |place| place.segment.seconds }).to eq [60, 60, 35]
    expect(line.holds.each_cons(2).map { |one, two| (two.start_ms - one.end_ms)/1000r }).to eq [120, 120]
    expect(
      @family.in_words(
        {in_s: 3, out_s: 6, breathe_up_s: 120, hold_s: 60, holds: 3, breaks: [{round: 3, hold_s: 35}]}
      )
    ).to end_with "out 6 s, the last hold 35 s"
  end

  it "own pace: 3:30 with calls, breaths at their own pace, each suspension with an upper bound" do
    line = compiled("own-pace", minutes: 3.5, breaths: "own")
    bounded = @family.bounded(line, {minutes: 3.5, breaths: "own"}, body)

    expect([line.total_ms, line.segments.map(&:ends).uniq]).to eq [210_000, [:comfort]]
    expect(@family.calls({minutes: 3.5})).to eq [
      [90_000, "Two more minutes"],
      [150_000, "Last minute"],
      [199_000, "Last round"]
    ]
    expect(bounded.holds.map { |place| place.segment.at_most_ms }.uniq).to match [be_between(5_000, 90_000)]
  end

  it "small holds: rests of three breaths, the rounds as many as fit" do
    line = compiled("small-holds", hold_s: 5, minutes: 5, sets: 2, rest_breaths: 3, settle_s: 60)

    expect(
      [line.segments.first.ms, line.segments.select(&:rest?).map(&:breaths).uniq, line.holds.size, line.total_ms]
    ).to eq [60_000, [3], 12, 360_000]
  end

  it "quiet breathing says how long a breath runs where whole breaths fill the minutes only by another length" do
    quiet = Windlass::Protocols.find("quiet-breathing")
    words = ->(in_s, out_s, minutes) { quiet.in_words({in_s: in_s, out_s: out_s, minutes: minutes}) }

    expect([words[4, 4, 1], words[3, 6, 5], words[8, 16, 1]]).to eq [
      "8 breaths, in 3.8 s and out 3.8 s, fitted to 1 min", "33 breaths, in 3 s and out 6 s, 5 min",
      "3 breaths, in 6.7 s and out 13.3 s, fitted to 1 min"
    ]
    lasts = quiet.compile({in_s: 4, out_s: 4, minutes: 1}).segments.map(&:ms)
    expect([lasts.sum, lasts.uniq]).to eq [60_000, [3750]]
  end

  it "quiet breathing and ratios quicken to the middle and slow down again, and fill their time all the same" do
    line = compiled("quiet-breathing", in_s: 3, out_s: 5, minutes: 2, middle_s: 4)
    breaths = line.segments.each_slice(2).map { |pair| pair.sum(&:ms) }

    expect(breaths).to eq(breaths.reverse).or(satisfy { |all| all.zip(all.reverse).all? { |a, b| (a - b).abs <= 1 } })
    expect([breaths.sum, breaths.first, breaths.min, breaths.index(breaths.min)]).to eq [120_000, 8000, 4000, 9]
    expect(@family.in_words(in_s: 3, out_s: 5, minutes: 2, middle_s: 4)).to eq \
      "20 breaths, in 3 s and out 5 s, quicker to 4 s a breath in the middle, and back, 2 min"

    counts = compiled("ratio", pattern: [4, 0, 8, 0], count_s: 1, rounds: 5, middle_count_s: 0.5)
    expect(counts.segments.each_slice(2).map { |pair| pair.sum(&:ms) }).to eq [12_000, 9000, 6000, 9000, 12_000]
    expect(@family.columns(pattern: [4, 0, 8, 0], count_s: 1, rounds: 5, middle_count_s: 0.5)).to include :over
    two = {pattern: [4, 0, 8, 0], count_s: 1, rounds: 2, middle_count_s: 0.5}
    expect([@family.in_words(two), @family.compile(two).total_ms]).to eq [
      "2 rounds of 4 : 0 : 8 : 0, 1 s a count", 24_000
    ]
    expect(@family.faults(pattern: [4, 0, 8, 0], count_s: 1, rounds: 5, middle_count_s: 0.5, counted_by: "heartbeat"))
      .to match(middle_count_s: /tempo of its own/)
  end

  it "bellows go up and back down, each change called; or evenly, each breath a little quicker, then slower" do
    back = compiled("bellows", gear_s: 10, hold_s: 15, rounds: 1, way: "back")
    called = ->(line) { line.segments.flat_map { |one| one.calls.to_a.map(&:last) } }
    expect([called[back], back.hold_ms]).to eq [%w[Double Triple Double Single], 15_000]
    expect(back.segments.count(&:counted)).to eq 7

    evenly = compiled("bellows", gear_s: 10, hold_s: 15, rounds: 1, way: "evenly")
    strokes = evenly.segments.select { |one| one.to == :easy }.map(&:ms)
    turn = strokes.index(strokes.min)
    expect([strokes.first, strokes.min, strokes.last, called[evenly]]).to eq [750, 250, 750, %w[Slower]]
    expect(strokes[0..turn]).to eq strokes[0..turn].sort.reverse
    expect(evenly.segments.select { |one| one.route == :nose && one.to != :full && !one.hold? }.sum(&:ms)).to eq 30_000
  end

  it "a breath stops where it is, in the middle, and goes on: half of it is in the lungs meanwhile" do
    dose = {pattern: [4, 0, 6, 0], count_s: 1, rounds: 2, stops: "both", stop_counts: 3}
    line = compiled("ratio", **dose)
    round = of_round(line, 1)
    expect(written(round)).to eq ["in 2× easy", "hold 3×", "in 2× easy",
      "out 3× passive", "hold 3×", "out 3× passive"]
    expect(round[0].depth).to be_within(0.002).of(round[2].depth / 2)
    expect(round[3].depth).to be_within(0.002).of(round[2].depth / 2)
    expect([@family.holds_in?(dose), @family.columns(dose), @family.columns(dose.merge(stop_counts: 5))]).to eq [
      true, [:breath], [:retention]
    ]
    heard = Windlass::Spoken.of(line).cues.select { |cue| cue.kind == :instruction && cue.round == 1 }
    expect(heard.map(&:words)).to eq %w[in stop in out stop out]
    # One hold that leaves the pattern leaves the stops; a light day shortens both.
    held = compiled("ratio", **dose, pattern: [4, 2, 6, 0], breaks: [{round: 2, hold_s: 20}])
    expect(of_round(held, 2).select(&:hold?).map(&:seconds)).to eq [3, 20, 3]
    expect(@family.lightened(dose.merge(stop_counts: 5))).to include(stop_counts: 4)
    # As much air goes in and out as without a stop, in the time that it takes.
    plain = compiled("ratio", pattern: [4, 3, 6, 3], count_s: 1, rounds: 2)
    expect(round[2].depth).to eq of_round(plain, 1)[0].depth
  end

  it "the throat is narrow in one of three stages, and says so in that one alone" do
    heard = lambda do |line|
      said = Windlass::Spoken.of(line).cues.select { |cue| cue.kind == :instruction }
      said.map(&:words).grep(/belly|ribs|chest|collar|throat/).first(3)
    end
    full = compiled("full-breath", hold_s: 10, breaths: 1, throat: "chest")
    expect(heard[full]).to eq ["belly, mouth, narrowed", "throat", "collarbones"]
    expect(@family.faults({hold_s: 10, breaths: 1, throat: "chest", stages_s: [4, 0, 2]}).keys).to eq [:throat]
    quiet = {in_s: 4.5, out_s: 6, minutes: 1, form: "three-zone", narrow_zone: "ribs"}
    line = compiled("quiet-breathing", **quiet)
    expect(heard[line]).to eq ["belly", "ribs, narrowed", "chest"]
    expect(of_round(line, 1).map { |one| [one.kind, one.narrowed] }).to eq [
      [:inhale, nil], [:inhale, true], [:inhale, nil], [:exhale, nil]
    ]
    # Where the chest is tight nothing is narrowed: progression.md.
    expect([@family.narrowed?(quiet), @family.narrowed?(quiet.except(:narrow_zone))]).to eq [true, false]
    expect([{in_s: 2}, {middle_s: 6}].map { |more| @family.faults(quiet.merge(more)).keys }).to all(eq([:narrow_zone]))
  end

  # Equal temperament from A4 = 440 Hz: C4 261.63, G4 392.00 (ISO 16 and any table of notes, from memory).
  it "voice: the sung and the released part go through steps of the scale, each by its number, one note before them" do
    line = compiled("stacked-exhale", longest_hold_s: 2, repeats: 1, scale: "down", scale_in: "both", note: "C4")
    sung = line.segments.select(&:tone_hz).each_slice(5).to_a
    expect(sung.map { |one| one.map(&:tone_hz) }.uniq.size).to eq 1
    expect(sung.first.map(&:tone_hz).values_at(0, -1)).to match [be_within(0.1).of(392.0), be_within(0.1).of(261.63)]
    expect(sung.map { |one| one.sum(&:seconds) }).to all(eq(8))
    cues = Windlass::Spoken.of(line).cues
    expect(cues.select { |cue| cue.kind == :instruction }.map(&:words) & %w[five four three two one]).to eq \
      %w[five four three two one]
    expect(cues.select { |cue| cue.kind == :note }.map(&:hz)).to eq [392.0, 392.0]
    blown = {longest_hold_s: 2, repeats: 1, form: "staged", scale: "down"}
    expect(@family.in_words(blown)).to eq "2 s of empty hold, blown, once through"
    expect(@family.judged_parts(line).size).to eq compiled("stacked-exhale", longest_hold_s: 2, repeats: 1).sounds.size
  end
end
