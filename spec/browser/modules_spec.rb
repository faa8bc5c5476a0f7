# frozen_string_literal: true

require "browser_helper"

# The deck's modules by themselves, in the browser that they are written for.
RSpec.describe "The deck's modules", :browser do
  segments = [
    {kind: "breathe", start_ms: 0, ms: 10_000, hold: nil},
    {kind: "hold", start_ms: 10_000, ms: 5_000, hold: 1, asks: true},
    {kind: "breathe", start_ms: 15_000, ms: 12_000, hold: nil},
    {kind: "hold", start_ms: 27_000, ms: 5_000, hold: 2, asks: true}
  ].freeze

  let(:timeline_json) { JSON.generate(segments) }

  before { visit("/athletes/new") }

  # @param more [Hash] of the plan
  def with_run(script, more = {}) = run_script(script, {segments: JSON.parse(timeline_json), holds: 2, **more})

  # @return [Array<Array>] moment and kind of every cue, in order of time
  def cues(segments, from, to, index: 0, since: 0, **plan)
    evaluate(<<~JS, "cues.js").sort
      const { Run } = await import("#{Windlass::Assets.path("js/run.js")}");
      const plan = { segments: #{segments}, holds: 2, over: true, ...#{JSON.generate(plan)} };
      const run = new Run(plan, { run: null }, {});
      Object.assign(run.state, { index: #{index}, segmentStart: #{since} });
      const known = (cue) => [cue.atMs, cue.kind, cue.hz].filter((one) => one !== undefined);
      return module.cuesBetween(run, #{from}, #{to}).map(known);
    JS
  end

  it "keeps to the plan exactly, however late a frame comes" do
    answer = with_run("run.start({}); pass(9000); pass(90000); return [events, run.over, run.state.finished];")

    expect(answer).to eq [
      [
        ["start", 0], ["hold_start", 10_000, 1], ["hold_end", 15_000, 1], ["hold_start", 27_000, 2],
        ["hold_end", 32_000, 2], ["finish", 32_000]
      ],
      true,
      true
    ]
  end

  it "goes on from where a hand released, with the whole rest after it" do
    answer =
      with_run(
        "run.start({}); pass(12000); run.next({}); const left = run.left; pass(12000); return [events.slice(2), " \
        "left, calls];"
      )

    expect(answer).to eq [[["hold_end", 12_000, 1], ["hold_start", 24_000, 2]], 12_000, [true, false, true, false]]
  end

  it "marks urges only in a hold, and rates the latest hold's breath also in the next and at the end" do
    answer = with_run(<<~JS)
      run.mark("first_urge", {}); run.start({}); run.mark("first_urge", {}); run.breath("smooth", {});
      pass(11000); run.mark("first_urge", {}); pass(17000); run.breath("gasp", {}); run.stop({});
      run.breath("deeper", {});
      return events.filter(([kind]) => ["first_urge", "first_breath"].includes(kind));
    JS

    expect(answer).to eq [
      ["first_urge", 11_000, 1],
      ["first_breath", 28_000, 1, "gasp"],
      ["first_breath", 28_000, 2, "deeper"]
    ]
  end

  it "stands still while paused, and lets go of a hold to pause" do
    answer =
      with_run(
        "run.start({}); pass(12000); run.pause({}); pass(60000); run.resume({}); pass(1000); return " \
        "[events.slice(2), run.now(), run.planned];"
      )

    expect(answer).to eq [[["hold_end", 12_000, 1], ["pause", 12_000], ["resume", 12_000]], 13_000, 16_000]
  end

  describe "with parts that end otherwise" do
    let(:timeline_json) do
      JSON.generate(
        [
          {kind: "breathe", start_ms: 0, ms: 10_000, breaths: 2, ends: "count"},
          {kind: "hold", start_ms: 10_000, ms: 5_000, hold: 1, ends: "cap"},
          {kind: "breathe", start_ms: 15_000, ms: 4_000, repetitions: 10, ends: "hand"},
          {kind: "hold", start_ms: 19_000, ms: 3_000, hold: 2, ends: "hand"}
        ]
      )
    end

    it "counts breaths by hand, ends a capped hold at its cap, and waits for a hand as long as it takes" do
      answer = with_run(<<~JS)
        run.start({}); pass(60000); const left = run.breathsLeft; run.next({}); pass(1000); run.next({});
        pass(90000); const waiting = run.segment.repetitions; run.next({}); pass(7000); run.next({});
        return [events, left, waiting, run.over];
      JS

      expect(answer).to eq [
        [
          ["start", 0],
          ["hold_start", 61_000, 1],
          ["hold_end", 66_000, 1, "unmarked"],
          ["hold_start", 151_000, 2],
          ["hold_end", 158_000, 2],
          ["finish", 158_000]
        ],
        2,
        10,
        true
      ]
    end

    it "runs hands-free where nobody has a hand: what is counted ends by the clock, as planned" do
      answer =
        with_run(
          "run.start({}); pass(4000); const left = run.breathsLeft; pass(15000); return [events, left, " \
          "run.state.index];",
          hands_free: true
        )

      expect(answer).to eq [
        [["start", 0], ["hold_start", 10_000, 1], ["hold_end", 15_000, 1, "unmarked"], ["hold_start", 19_000, 2]],
        2,
        3
      ]
    end

    it "goes on without counting where that is asked, and releases a capped hold early" do
      answer = with_run("run.start({}); pass(3000); run.skip({}); pass(2000); run.next({}); return events.slice(1);")

      expect(answer).to eq [["hold_start", 3_000, 1], ["hold_end", 5_000, 1]]
    end

    it "lays out nothing beyond a part without an end" do
      open =
        JSON.generate(
          [
            {kind: "exhale", ms: 8_000, ends: "clock", heard: [["out", "s", 0]]},
            {kind: "breathe", ms: 5_000, ends: "hand", heard: [["breathe", "s", 0], ["tick", "e", 1000]]},
            {kind: "hold", ms: 1_000, heard: [["hold_empty", "s", 0]]}
          ]
        )

      expect(cues(open, -1, 60_000)).to eq [[0, "out"], [8_000, "breathe"]]
    end
  end

  it "holds now at any breath: out first, then the hold with the cap of so few breaths; a call stands for a while, " \
    "and sounds" do
    deep = [
      {kind: "inhale", start_ms: 0, ms: 2_000, breath: 1, round: 1},
      {kind: "exhale", start_ms: 2_000, ms: 2_000, breath: 1, round: 1},
      {kind: "inhale", start_ms: 4_000, ms: 2_000, breath: 2, round: 1},
      {kind: "exhale", start_ms: 6_000, ms: 2_000, breath: 2, round: 1},
      {
        kind: "hold",
        start_ms: 8_000,
        ms: 40_000,
        hold: 1,
        ends: "cap",
        limited: true,
        round: 1,
        caps_s: [12, 30],
        calls: [[2_000, "Let the lock go"]],
        heard: [["call", "s", 2_000, ["let-the-lock-go"]], ["note", "e", 1_500, nil, 220]]
      }
    ]
    answer = with_run(<<~JS, {segments: deep})
      run.start({}); pass(1000); run.holdNow({}); const out = run.segment.kind; pass(1999);
      const before = run.segment.kind;
      pass(1); const cap = run.lengthMs; pass(2000); const call = run.call; run.holdNow({}); pass(60000);
      return [out, before, cap, call, events];
    JS

    expect(answer).to eq [
      "exhale",
      "exhale",
      12_000,
      "Let the lock go",
      [
        ["start", 0],
        ["hold_now", 1_000, 1, "1"],
        ["hold_start", 3_000, 1],
        ["hold_end", 15_000, 1],
        ["finish", 15_000]
      ]
    ]
    expect(
      cues(JSON.generate(deep.last(1) + [{kind: "exhale", ms: 8_000}]), 0, 41_000, calls: [[5_000, "Last minute"]])
    ).to include [2_000, "call"], [5_000, "call"], [38_500, "note", 220]
  end

  describe "at one's own pace" do
    let(:cycle) do
      [
        {kind: "inhale", start_ms: 0, ms: 3_000, ends: "clock"},
        {kind: "hold", start_ms: 3_000, ms: 2_000, hold: 1, ends: "comfort", at_most_ms: 20_000},
        {kind: "exhale", start_ms: 5_000, ms: 4_000, ends: "clock"},
        {kind: "hold", start_ms: 9_000, ms: 2_000, hold: 2, ends: "comfort", at_most_ms: 20_000}
      ]
    end
    let(:timeline_json) { JSON.generate(cycle) }
    let(:alone) { {own_pace: true, total_ms: 11_000, paces: [[0, 3, 11_000]]} }

    it "goes round until its time, numbers the holds on, waits for the hand that marks, and ends on a breath" do
      answer = with_run(<<~JS, alone)
        run.start({}); pass(3000); pass(500); run.next({}); pass(4000); pass(500); run.next({});
        pass(3000); pass(1500); run.next({}); pass(4000); pass(9000); run.next({});
        return [events.filter(([kind]) => kind !== "hold_end"), run.planned];
      JS

      expect(answer).to eq [
        [
          ["start", 0], ["hold_start", 3_000, 1], ["hold_start", 7_500, 2], ["hold_start", 11_000, 3],
          ["hold_start", 16_500, 4], ["finish", 25_500]
        ],
        11_000
      ]
    end

    it "is led as planned where nobody marks anything, ends at its time, and says that nothing was marked" do
      expect(with_run("run.start({}); pass(60000); return events;", alone)).to eq [
        ["start", 0],
        ["hold_start", 3_000, 1],
        ["hold_end", 5_000, 1, "unmarked"],
        ["hold_start", 9_000, 2],
        ["hold_end", 11_000, 2, "unmarked"],
        ["finish", 11_000]
      ]
    end

    it "ends at its latest end where the hand that marked marks no more, and goes on as planned" do
      answer =
        with_run(
          "run.start({}); pass(4000); run.next({}); pass(60000); return events.filter(([kind]) => kind !== " \
          "'hold_start');",
          {**alone, total_ms: 40_000, paces: [[0, 3, 40_000]]}
        )

      expect(answer).to eq [
        ["start", 0],
        ["hold_end", 4_000, 1],
        ["hold_end", 28_000, 2, "unmarked"],
        ["hold_end", 33_000, 3, "unmarked"],
        ["hold_end", 39_000, 4, "unmarked"],
        ["hold_end", 44_000, 5, "unmarked"],
        ["hold_end", 50_000, 6, "unmarked"],
        ["finish", 50_000]
      ]
    end

    it "ends as a block when its minutes end, and what comes next comes then" do
      two = cycle + cycle.map { |one| one.merge(hold: one[:hold] && one[:hold] + 2) }
      answer =
        with_run(
          "run.start({}); pass(4000); run.next({}); pass(14000); run.next({}); pass(5000); return [events.at(-1), " \
          "run.state.index];",
          {
            segments: two + [{kind: "breathe", ms: 60_000, ends: "clock"}],
            total_ms: 82_000,
            paces: [[0, 7, 15_000]]
          }
        )

      expect(answer).to eq [["hold_end", 18_000, 2], 8]
    end

    it "plays nothing but calls where only the time is told, and no press changes it" do
      silent = cycle.map { |one| one.merge(silent: true) }
      answer =
        with_run("run.start({}); pass(1000); run.next({}); return run.state.index;", {**alone, segments: silent})

      expect(answer).to eq 0
      expect(cues(JSON.generate(silent), 0, 41_000, calls: [[5_000, "Last minute"]])).to eq [
        [5_000, "call"],
        [11_000, "end"]
      ]
    end
  end

  it "says how far a sounded exhale went, stages and all, and asks at the end for the breaths that nobody rated" do
    hiss = [
      {kind: "hold", start_ms: 0, ms: 4_000, hold: 1, asks: true},
      {kind: "exhale", start_ms: 4_000, ms: 8_000, exhale: 1, beats: 8},
      {kind: "exhale", start_ms: 12_000, ms: 2_000, exhale: 2},
      {kind: "exhale", start_ms: 14_000, ms: 2_000, exhale: 2}
    ]
    answer = with_run(<<~JS, {segments: hiss})
      run.start({}); pass(4000); pass(3000); run.next({}); pass(1000); run.next({}); pass(2000);
      run.breath("deeper", {});
      return [events.slice(3), run.unrated, run.rated];
    JS

    expect(answer).to eq [
      [
        ["sound_start", 4_000, 1],
        ["sound_end", 7_000, 1],
        ["sound_start", 7_000, 2],
        ["sound_end", 10_000, 2],
        ["finish", 10_000],
        ["first_breath", 10_000, 1, "deeper"]
      ],
      [],
      1
    ]
  end

  it "ends what a hand should have ended at its latest end, with a tone, and never lets time run backwards across a " \
    "reload" do
    open =
      JSON.generate(
        [
          {kind: "hold", ms: 2_000, ends: "hand", at_most_ms: 20_000, hold: 1},
          {kind: "exhale", ms: 4_000, heard: [["out", "s", 0]]}
        ]
      )
    answer = with_run(<<~JS, {segments: JSON.parse(open)})
      run.start({}); pass(19000); const before = run.state.index; pass(2000);
      journal.run = run.state; const seen = run.now(); clock.ms -= 500000;
      const again = new module.Run(plan, journal, clock);
      return [before, again.state.index, again.now() >= seen, again.live];
    JS

    expect(answer).to eq [0, 1, true, true]
    expect(cues(open, 0, 90_000).last).to eq [20_000, "out"]
  end

  it "keeps marks and sends them where the browser has no room, and puts aside what the server refuses" do
    answer = evaluate(<<~JS, "journal.js")
      const { store } = await import("#{Windlass::Assets.path("js/store.js")}");
      const room = store.putMark;
      store.putMark = async () => { throw new DOMException("full", "QuotaExceededError"); };
      const journal = await module.Journal.open("none");
      journal.post = async (events) => ({ kept: events.slice(1).map((one) => one.uuid),
        refused: [{ uuid: events[0].uuid, why: "kind is not known" }] });
      journal.put("start", -5); journal.put("hold_start", 7, { round: 1 });
      await new Promise((done) => setTimeout(done));
      const full = journal.words;
      await journal.send();
      store.putMark = room;
      return [full, journal.waiting, journal.words, journal.kept.refused.map((one) => one.at_ms)];
    JS

    expect(answer).to match [/2 not sent yet.*no room in this browser/, 0, "Saved · 1 refused: kind is not known", [0]]
  end

  it "turns to quiet breathing out of a hold, waits as long as it takes, sounds nothing, and comes back to it after " \
    "a reload" do
    answer = with_run(<<~JS)
      const { cuesBetween } = await import("#{Windlass::Assets.path("js/cues.js")}");
      run.start({}); pass(12000); run.quietFromHere({}); run.quietFromHere({}); pass(600000);
      const back = new module.Run(plan, journal, clock);
      const waits = [back.segment.cue, back.left <= 0 && back.timed, cuesBetween(back, 0, 900000).length, back.planned,
        back.holding];
      back.next({}); return [events.slice(2), waits, back.over];
    JS

    expect(answer).to eq [
      [["hold_end", 12_000, 1], ["quiet", 12_000], ["stop", 612_000]],
      ["Quiet breathing, long and slow", false, 0, 12_000, false],
      true
    ]
  end

  it "stops in a hold with the hold ended, and only once" do
    answer =
      with_run(
        "run.start({}); pass(11000); run.stop({}); run.stop({}); run.next({}); run.pause({}); return " \
        "[events.slice(1), run.live];"
      )

    expect(answer).to eq [[["hold_start", 10_000, 1], ["hold_end", 11_000, 1], ["stop", 11_000]], false]
  end

  it "lays what is heard on its parts: with their beats where a heart leads, from their end where they are shorter, " \
    "at once where a hand was quicker" do
    parts =
      JSON.generate(
        [
          {
            kind: "inhale",
            ms: 4_000,
            beats: 4,
            paced: true,
            heard: [["in", "s", 0], ["tick", "b", 0.5], ["say", "e", 600, ["hold-full"]]]
          },
          {
            kind: "hold",
            ms: 8_000,
            ends: "clock",
            ahead: ["hold-full"],
            heard: [["hold_full", "s", 0], ["count", "e", 1000, ["one"]]]
          },
          {
            kind: "breathe",
            ms: 6_000,
            breaths: 2,
            ends: "count",
            heard: [["breathe", "s", 0], ["count", "b", 0.25, ["two"]]]
          }
        ]
      )
    said = evaluate(<<~JS, "cues.js")
      const { Run } = await import("#{Windlass::Assets.path("js/run.js")}");
      const laid = (changes, index = 0, by = {}) => {
        const plan = { segments: #{parts}, holds: 1, over: true, hands_free: by.hands ?? true };
        const run = new Run(plan, { run: null }, {});
        Object.assign(run.state, { index, segmentStart: 0, ...changes });
        return module.cuesBetween(run, -1, 60000).map(({ kind, atMs, say }) => [kind, atMs, ...(say ?? [])]);
      };
      return [laid({}), laid({ beat: { perMinute: 30 } }), laid({ caps: { 1: 5000 } }, 1), laid({ byHand: true }, 1),
        laid({}, 2, { hands: false })];
    JS

    expect(said[0]).to eq [
      ["in", 0], ["tick", 2000], ["say", 3400, "hold-full"], ["hold_full", 4000], ["count", 11_000, "one"],
      ["breathe", 12_000], ["count", 13_500, "two"], ["end", 18_000]
    ]
    expect(said[1].first(3)).to eq [["in", 0], ["tick", 4000], ["say", 7400, "hold-full"]]
    expect([said[2].first(2), said[3].first(3), said[4]]).to eq [
      [["hold_full", 0], ["count", 4000, "one"]],
      [["hold_full", 0], ["count", 7000, "one"], ["say", 140, "hold-full"]],
      [["breathe", 0]]
    ]
  end

  # Every word that ships is there, short, and neither silent nor clipped.
  it "ships every word that the deck may say, and lays them out one after the other" do
    heard = evaluate(<<~JS, "voice.js")
      const context = new OfflineAudioContext(1, 22050 * 4, 22050);
      const table = #{JSON.generate(Windlass::Spoken::Clips::LENGTHS)};
      const voice = new module.Voice();
      await voice.load(#{JSON.generate(Windlass::Spoken::Clips::LENGTHS.keys)}, context);
      const lengths = [...voice.buffers.values()].map(({ buffer }) => buffer.duration);
      const off = [...voice.buffers].map(([name, { buffer }]) => Math.abs(buffer.duration * 1000 - table[name]));
      const laid = voice.lay(["in", "left", "nothing"], 1, context, context.destination).length;
      const samples = (await context.startRendering()).getChannelData(0);
      const loud = (from, to) => samples.slice(from * 22050, to * 22050).some((one) => Math.abs(one) > 0.05);
      return [voice.buffers.size, Math.max(...lengths), Math.min(...lengths), Math.max(...off), laid, loud(0, 1),
        loud(1, 1.3), loud(1.3, 1.9), loud(2.6, 4)];
    JS

    expect(heard).to match [
      Windlass::Spoken::Clips::LENGTHS.size,
      be < 2.4,
      be > 0.15,
      be < 60,
      2,
      false,
      true,
      true,
      false
    ]
  end

  it "cuts no word that is being said where only the clock slipped, and all of them where a hand changed what comes" do
    stopped = evaluate(<<~JS, "sound.js")
      const sound = new module.Sound();
      sound.context = { currentTime: 10 };
      const channel = sound.channel(), stopped = [];
      for (const at of [9.2, 9.98, 10.5]) channel.keep({ stop: () => stopped.push(at) }, at);
      channel.silence(50);
      const slipped = [...stopped];
      channel.silence();
      return [slipped, stopped];
    JS

    expect(stopped).to eq [[9.98, 10.5], [9.98, 10.5, 9.2]]
  end

  it "renders tones at their moments on the audio clock, and none when silenced" do
    rendered = evaluate(<<~JS, "sound.js")
      const offline = new OfflineAudioContext(1, 48000 * 3, 48000);
      const sound = new module.Sound();
      sound.context = offline;
      Object.defineProperty(sound, "asleep", { value: false });
      sound.gain = offline.createGain();
      sound.gain.connect(offline.destination);
      sound.channel().schedule([
        { kind: "hold_full", inMs: 1000 }, { kind: "tick", inMs: 2000 },
        { kind: "tick", inMs: -500 }, { kind: "accent", inMs: -30 },
      ]);
      const samples = (await offline.startRendering()).getChannelData(0);
      const loud = (from, to) => samples.slice(from * 48000, to * 48000).some((sample) => Math.abs(sample) > 0.1);
      return [loud(0, 0.08), loud(0.1, 0.999), loud(1, 1.3), loud(1.5, 1.999), loud(2, 2.1), loud(2.2, 3)];
    JS

    expect(rendered).to eq [true, false, true, false, true, false]
  end

  it "says times as the server does" do
    words = evaluate("return [0, 400, 5000, 64999, 125000].map(module.clockWords);", "clock.js")

    expect(words).to eq %w[0:00 0:01 0:05 1:05 2:05]
  end

  it "sends from any page what an earlier one could not" do
    session = Windlass::Actions::PlanSession.call(prescribe(make_athlete.tap { |one| make_pause(one) }), now: clock.now)
    evaluate(<<~JS, "store.js")
      await module.store.putRun({ session: "#{session.uuid}", run: { over: true }, refused: [] });
      for (const [order, event] of #{JSON.generate(journal(session))}.entries())
        await module.store.putMark({ ...event, session: "#{session.uuid}", order });
    JS
    visit("/")

    expect(page).to have_css("h1", text: "Today")
    Timeout.timeout(30) { sleep 0.05 until session.reload.state == "done" }
    expect(session.rounds.count).to eq 13
    Timeout.timeout(30) do
      until evaluate(
        "return [(await module.store.waiting()).length, (await module.store.run(\"#{session.uuid}\")) ? 1 : 0];",
        "store.js"
      ) == [0, 0]
        sleep 0.05
      end
    end
  end

  it "asks nothing of any other machine" do
    asked = []
    browser = page.driver.browser
    browser.on(:request) do |request|
      asked << request.url
      request.continue
    end
    browser.network.intercept
    athlete = make_athlete.tap { |one| make_pause(one) }
    ["/", "/athletes/#{athlete.id}", "/bench", "/prescriptions/#{prescribe(athlete).id}"].each { |path| visit(path) }

    hosts = asked.reject { |url| url.start_with?("data:") }.map { |url| URI(url).host }
    expect(asked.size).to be >= 4
    expect(hosts.uniq).to eq ["127.0.0.1"]
  end
end
