# frozen_string_literal: true

require "browser_helper"

# What runs, in full: counted in, eased, paced by a heart, taken up after a reload. And by chance: whatever is pressed
# whenever, the journal tells of one body that holds, breathes, and holds again.
RSpec.describe "What runs on the deck", :browser do
  rest = ->(start_ms, round, **more) do
    {kind: "breathe", start_ms: start_ms, ms: 20_000, ends: "clock", round: round, rate: 12, cue: "Breathe", **more}
  end
  hold = ->(start_ms, number, **more) do
    {
      kind: "hold",
      start_ms: start_ms,
      ms: 10_000,
      hold: number,
      round: number,
      ends: "clock",
      asks: true,
      cue: "Hold",
      **more
    }
  end
  plain = {
    segments: [rest[0, 1], hold[20_000, 1], rest[30_000, 2], hold[50_000, 2], rest[60_000, 3], hold[80_000, 3]],
    holds: 3,
    total_ms: 90_000
  }.freeze

  before { visit("/athletes/new") }

  it "counts in before the first part, begins at once where that is asked, and has held nothing where it is left " \
    "before" do
    early =
      run_script(
        "run.start({}, 3000); const before = [run.waiting, run.running, run.holding, run.planned]; pass(1000); " \
        "run.next({}); return [before, run.waiting, run.now(), run.elapsed, events];",
        {segments: [hold[0, 1]], holds: 1, total_ms: 10_000}
      )
    left =
      run_script(
        "run.start({}, 3000); pass(1000); run.pause({}); pass(60000); run.resume({}); pass(1500); const waits = " \
        "run.waiting; run.stop({}); return [waits, run.over, events];",
        {segments: [hold[0, 1]], holds: 1, total_ms: 10_000}
      )

    expect(early).to eq [[true, false, false, 0], false, 0, 0, [["start", 0], ["hold_start", 0, 1]]]
    expect(left).to eq [
      true,
      true,
      [["start", 0], ["hold_start", 0, 1], ["pause", -2000], ["resume", -2000], ["hold_end", 0, 1], ["stop", -500]]
    ]
  end

  it "lays out three ticks and the first beat while it is counted in" do
    counted_in = [["tick", "s", -3000], ["tick", "s", -2000], ["tick", "s", -1000], ["breathe", "s", 0]]
    cues =
      run_script(
        <<~JS,
          const { cuesBetween } = await import("#{Windlass::Assets.path("js/cues.js")}");
          run.start({}, 3000);
          return cuesBetween(run, run.now() - 60, 100).map(({ atMs, kind }) => [atMs, kind]);
        JS
        {**plain, segments: [plain[:segments].first.merge(heard: counted_in), *plain[:segments].drop(1)]}
      )

    expect(cues).to eq [[-3000, "tick"], [-2000, "tick"], [-1000, "tick"], [0, "breathe"]]
  end

  it "shortens what is to come to three quarters, ends at once what is longer already, keeps what was held, and " \
    "does it once" do
    before =
      run_script(
        "run.start({}); pass(5000); run.shorten({}); run.shorten({}); pass(200000); return events.slice(1);",
        plain
      )
    within =
      run_script(
        "run.start({}); pass(25000); run.shorten({}); pass(2499); const holds = run.holding; pass(1); return " \
        "[holds, run.holding, events.slice(1, 4)];",
        plain
      )
    late = run_script("run.start({}); pass(29000); run.shorten({}); return [run.holding, events.slice(1)];", plain)

    expect(before).to eq [
      ["shorten", 5000], ["hold_start", 20_000, 1], ["hold_end", 27_500, 1], ["hold_start", 47_500, 2],
      ["hold_end", 55_000, 2], ["hold_start", 75_000, 3], ["hold_end", 82_500, 3], ["finish", 82_500]
    ]
    expect(within).to eq [true, false, [["hold_start", 20_000, 1], ["shorten", 25_000], ["hold_end", 27_500, 1]]]
    expect(late).to eq [false, [["hold_start", 20_000, 1], ["shorten", 29_000], ["hold_end", 29_000, 1]]]
  end

  it "leaves a hold that a hand ends to the hand, shortened or not" do
    answer =
      run_script(
        "run.start({}); pass(25000); run.shorten({}); pass(60000); const holds = run.holding; run.next({}); return " \
        "[holds, events.slice(1, 4)];",
        {segments: [rest[0, 1], hold[20_000, 1, ends: "hand"], rest[30_000, 2]], holds: 1, total_ms: 50_000}
      )

    expect(answer).to eq [true, [["hold_start", 20_000, 1], ["shorten", 25_000], ["hold_end", 85_000, 1]]]
  end

  it "adds a breath to the breathing that runs, or to the next one, counted or by its rate" do
    running =
      run_script(
        "run.start({}); pass(4000); run.oneMore({}); run.oneMore({}); pass(25999); const at = run.segment.kind; " \
        "pass(1); return [at, run.segment.kind, events.slice(1)];",
        plain
      )
    counted =
      run_script(
        "run.start({}); pass(21000); run.oneMore({}); pass(9000); return [run.counts(2), run.breathsLeft, run.left];",
        {
          **plain,
          hands_free: true,
          segments:
            plain[:segments].map.with_index { |one, index| (index == 2) ? one.merge(breaths: 4, ends: "count") : one }
        }
      )

    expect(running).to eq ["breathe", "hold", [["restore", 4000], ["restore", 4000], ["hold_start", 30_000, 1]]]
    expect(counted).to eq [5, 5, 25_000]
  end

  describe "paced by a heart" do
    beats =
      plain.merge(
        segments:
          plain[:segments].map do |one|
            one.merge(
              beats: one[:ms] / 1000,
              paced: true,
              heard: Array.new(one[:ms] / 1000) { |beat| ["tick", "b", beat * 1000.0 / one[:ms]] }
            )
          end
      ).freeze

    it "takes the beat from the next round on, writes it down once, and lays out what is to come with it" do
      answer = run_script(<<~JS, beats)
        const { cuesBetween } = await import("#{Windlass::Assets.path("js/cues.js")}");
        run.start({}); pass(5000); run.beatAt(120); run.beatAt(120);
        const ahead = cuesBetween(run, 30000, 36000).filter(({ kind }) => kind === "tick").length;
        pass(30000); run.beatAt(120); const lengths = [2, 3].map((index) => run.plannedMs(index)); pass(100000);
        return [ahead, lengths, events.filter(([kind]) => kind === "beat"), events.at(-1)];
      JS

      expect(answer).to eq [12, [10_000, 5_000], [["beat", 30_000, 3, "120"]], ["finish", 60_000]]
    end

    it "leaves alone what is counted by a tempo, and a figure counts its beats down or up as somebody chose" do
      answer =
        run_script(
          <<~JS,
            const { shown } = await import("#{Windlass::Assets.path("js/deck_words.js")}");
            run.start({}); run.beatAt(120); pass(21500);
            const figures = ["usual", "up", "down"].map((figures) => {
              run.figures = figures;
              return shown(run, plan).figure;
            });
            pass(9000); run.figures = "usual"; const hiss = shown(run, plan).figure; run.figures = "down";
            return [figures, hiss, shown(run, plan).figure, run.plannedMs(2)];
          JS
          beats.merge(
            segments: [
              *beats[:segments].first(2),
              {kind: "exhale", start_ms: 30_000, ms: 8_000, beats: 8, exhale: 1, round: 2, ends: "clock", cue: "Hiss"}
            ]
          )
        )

      expect(answer).to eq [%w[9 2 9], "1", "8", 8000]
    end
  end

  it "notes what is felt at the moment of the first tap, and stops only at what stops" do
    answer = run_script(<<~JS, plain)
      const stops = []; run.onStop = () => stops.push(run.over);
      run.symptom("nausea", 1, 0, false, {}); run.start({}); pass(25000);
      run.symptom("nausea", 2, 24000, false, {}); const live = run.live;
      run.symptom("chest_pain", 3, 24500, true, {}); run.effort(4); run.effort(7);
      return [live, stops, run.state.effort, events.slice(2)];
    JS

    expect(answer).to eq [
      true,
      [true],
      7,
      [
        ["hold_start", 20_000, 1],
        ["symptom", 24_000, "nausea.2"],
        ["symptom", 24_500, "chest_pain.3"],
        ["hold_end", 25_000, 1],
        ["stop", 25_000],
        ["effort", 25_000, "4"],
        ["effort", 25_000, "7"]
      ]
    ]
  end

  # Dice of our own, so that what is found can be found again.
  dice =
    "let seed = SEED; const dice = (most) => { seed = (seed * 1103515245 + 12345) % 2147483648; return " \
    "Math.floor((seed / 2147483648) * most); };"
  presses = <<~JS
    const press = () => [() => run.next({}), () => run.skip({}), () => run.pause({}), () => run.mark("first_urge", {}),
      () => run.breath("smooth", {}), () => run.shorten({}),
      () => run.oneMore({}), () => run.beatAt(40 + dice(80)), () => run.quietFromHere({}), () => run.stop({}),
      () => run.symptom("nausea", 1, run.now(), false, {})];
    // The rarer ones end it.
    const chance = () => {
      const what = dice(60);
      if (what < 8) press()[what](); else if (what === 59 && dice(4) === 0) press()[8 + dice(2)]();
    };
  JS

  it "tells of one body, whatever is pressed whenever" do
    30.times do |seed|
      events =
        run_script(
          "#{dice.sub("SEED", (seed + 3).to_s)} #{presses} run.start({}, dice(2) * 3000); for (let turn = 0; turn < " \
          "160; turn += 1) { pass(dice(3000)); chance(); } pass(300000); return events;",
          plain
        )
      moments = events.reject { |kind, *| %w[first_breath symptom].include?(kind) }.map { |_, at, *| at }
      held = events.select { |kind, *| %w[hold_start hold_end].include?(kind) }

      expect([seed, moments]).to eq [seed, moments.sort]
      expect([seed, held.map(&:first).each_slice(2).to_a.uniq - [%w[hold_start hold_end], %w[hold_start]]]).to eq [
        seed,
        []
      ]
      expect([seed, held.each_slice(2).map { |pair| pair.map { |one| one[2] }.uniq.size }.uniq - [1]]).to eq [seed, []]
      expect([seed, events.count { |kind, *| %w[stop finish].include?(kind) }]).to match [seed, be <= 1]
    end
  end

  it "is the same run after a reload at any moment, as long as the page is not long away" do
    8.times do |seed|
      script = <<~JS
        #{dice.sub("SEED", (seed + 11).to_s)}
        const { Run } = module;
        const once = (reload) => {
          const told = []; const clock = { ms: 5000, wall: () => clock.ms, at: () => clock.ms };
          const known = (list) => list.filter((one) => one !== undefined);
          const add = (kind, at, more = {}) => told.push(known([kind, at, more.round, more.value]));
          const journal = { run: null, add };
          let run = new Run(plan, journal, clock);
          run.start({}, 3000);
          for (const [wait, what] of script) {
            clock.ms += wait; run.tick();
            if (what === 0) run.next({}); else if (what === 1) run.pause({}); else if (what === 2) run.shorten({});
            else if (what === 3) run.oneMore({}); else if (what === 4) run.breath("deeper", {});
            else if (what === 5) run.beatAt(90);
            if (reload) { journal.run = structuredClone(journal.run); run = new Run(plan, journal, clock); }
          }
          return told;
        };
        const script = Array.from({ length: 60 }, () => [dice(2500), dice(14)]);
        return [once(false), once(true)];
      JS
      straight, reloaded = run_script(script, plain)

      expect([seed, reloaded]).to eq [seed, straight]
    end
  end
end
