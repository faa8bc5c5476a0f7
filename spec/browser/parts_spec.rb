# frozen_string_literal: true

require "browser_helper"

# Smaller parts of the deck, each by itself: several lanes, a heart, what waits to be sent, what is felt.
RSpec.describe "Parts of the deck", :browser do
  before { visit("/athletes/new") }

  describe "several lanes" do
    segments =
      Array.new(6) do |number|
        if number.even?
          {kind: "breathe", start_ms: number * 10_000, ms: 10_000, ends: "clock", round: number / 2 + 1}
        else
          {
            kind: "hold",
            start_ms: number * 10_000,
            ms: 10_000,
            hold: number / 2 + 1,
            round: number / 2 + 1,
            ends: "clock",
            asks: true
          }
        end
      end
    lanes = <<~JS
      const { Run } = await import("#{Windlass::Assets.path("js/run.js")}");
      const clock = { ms: 0, wall: () => clock.ms, at: () => clock.ms };
      const told = [];
      const lane = (starts_s, at) => {
        told[at] = [];
        const known = (list) => list.filter((one) => one !== undefined);
        const add = (kind, ms, more = {}) => told[at].push(known([kind, ms, more.round, more.value]));
        const journal = { run: null, add };
        const plan = { segments: #{JSON.generate(segments)}, holds: 3, total_ms: 60000, over: false, starts_s };
        return { plan, run: new Run(plan, journal, clock) };
      };
    JS

    def squad(script, lanes) = evaluate("#{lanes} #{script}", "squad_run.js")

    it "are each as if they were alone, whatever is done to another" do
      answer = squad(<<~JS, lanes)
        const both = new module.SquadRun([lane(0, 0), lane(7, 1)], false);
        const pass = (ms) => { clock.ms += ms; both.tick(); };
        both.start({}); pass(3000);
        for (const turn of [13000, 4000, 9000, 2000]) {
          pass(turn); both.choose(0);
          if (turn === 4000) both.main({}); else both.lane.run.pause({});
        }
        both.lane.run.stop({}); pass(90000);
        const beside = told[1];
        clock.ms = 0;
        const alone = new module.SquadRun([lane(7, 1)], false);
        alone.start({}); clock.ms += 200000; alone.tick();
        return [beside, told[1]];
      JS

      expect(answer[0]).to eq answer[1]
      expect(answer[0].map(&:first).tally).to eq("start" => 1, "hold_start" => 3, "hold_end" => 3, "finish" => 1)
    end

    it "ask for the oldest first breath first; a chosen lane takes the keys until its next mark, and what is open " \
      "is asked for at the end" do
      answer = squad(<<~JS, lanes)
        const both = new module.SquadRun([lane(0, 0), lane(4, 1), lane(8, 2)], false);
        const pass = (ms) => { clock.ms += ms; both.tick(); };
        both.start({}); pass(3000 + 20000); const first = both.called; pass(8000);
        const order = [both.called]; both.breath("smooth", {}); order.push(both.called);
        both.choose(2); const chosen = both.rated; both.breath("gasp", {});
        order.push(both.rated, both.chosen ?? "none");
        pass(80000); const open = both.runs.map((run) => run.unrated.length); const end = [both.over, both.called];
        both.breath("deeper", {});
        const rated = (one) =>
          one.filter(([kind]) => kind === "first_breath").map(([, , round, value]) => [round, value]);
        return [first, order, chosen, open, end, both.runs.map((run) => run.unrated.length), told.map(rated)];
      JS

      expect(answer).to eq [
        0,
        [0, 1, 1, "none"],
        2,
        [2, 3, 2],
        [true, 1],
        [2, 2, 2],
        [[[1, "smooth"]], [[1, "deeper"]], [[1, "gasp"]]]
      ]
    end

    it "send nobody off by a press that was meant for another, and say how each stands" do
      answer = squad(<<~JS, lanes)
        const both = new module.SquadRun([lane(0, 0), lane(30, 1)], false);
        const state = () => both.runs.map((run) => module.laneState(run));
        const pass = (ms) => { clock.ms += ms; both.tick(); };
        const words = [state()]; both.start({}); words.push(state()); pass(14000); words.push(state());
        both.focus = 1; both.main({}); const waits = both.runs[1].waiting; both.choose(1); both.main({});
        words.push(state());
        both.runs[1].pause({}); pass(9500); words.push(state()); both.runs[0].stop({}); words.push(state());
        return [words, waits];
      JS

      expect(answer).to eq [
        [
          ["not begun", "not begun"],
          %w[waits waits],
          ["holding 0:01", "waits"],
          ["holding 0:01", "rests until 0:10"],
          ["first breath?", "paused"],
          ["first breath?", "paused"]
        ],
        true
      ]
    end

    it "begin on the word where that is wanted, one by one" do
      answer = squad(<<~JS, lanes)
        const both = new module.SquadRun([lane(0, 0), lane(30, 1)], true);
        both.choose(1); both.main({}); clock.ms += 4000; both.tick();
        return both.runs.map((run) => [run.started, run.running]);
      JS

      expect(answer).to eq [[false, false], [true, true]]
    end

    it "keep the notes of an emergency until it is said whose they are, and lie each in a place of their own" do
      answer = squad(<<~JS, lanes)
        const both = new module.SquadRun([lane(0, 0), lane(4, 1)], false);
        both.start({}); clock.ms += 9000; both.emergency({}); both.noteEmergency("stopped_breathing", 2000);
        const waiting = told.flat().length;
        both.itIs(1); both.noteEmergency("called", 5000);
        const places = [0, 1, 2, 3].map((at) => module.place(at, 4));
        return [waiting - told.flat().length,
          told.map((one) => one.filter(([kind]) => kind === "emergency_note").length), both.state.emergency.noted,
          places.map(({ pan }) => Math.round(pan * 10)), new Set(places.map(({ pitch }) => pitch)).size,
          module.place(0, 1)];
      JS

      expect(answer).to eq [
        -2,
        [0, 2],
        {"stopped_breathing" => 2000, "called" => 5000},
        [-8, -3, 3, 8],
        4,
        {"pitch" => 1, "pan" => 0}
      ]
    end
  end

  it "feels a heart by the median of the last eight beats, within limits, and begins anew after a pause" do
    answer = evaluate(<<~JS, "heart.js")
      const tapped = (gaps) => {
        const heart = new module.Heart();
        let at = 1000;
        return gaps.map((gap) => { at += gap; return heart.tap(at) ?? 0; });
      };
      const read = new module.Heart(); const readings = [61, 63, 150, 62, 64].map((pulse) => read.hear(pulse) ?? 0);
      return [
        tapped([0, 1000, 1000, 1000, 400, 1000]), tapped([0, 800, 800, 800, 5000, 750, 750, 750]),
        tapped([0, 200, 200, 200]), tapped([0, 2900, 2900, 2900]), readings,
      ];
    JS

    expect(answer).to eq [
      [0, 0, 0, 60, 60, 60], [0, 0, 0, 75, 0, 0, 0, 80], [0, 0, 0, 120], [0, 0, 0, 40], [0, 0, 63, 63, 63]
    ]
  end

  it "buzzes at the moments of the tones where somebody wants it, and takes back what no longer applies" do
    answer = evaluate(<<~JS, "buzz.js")
      const felt = []; navigator.vibrate = (pattern) => felt.push(pattern);
      const buzz = new module.Buzz();
      const cues = [{ kind: "hold_full", inMs: 20 }, { kind: "tick", inMs: 60 }, { kind: "note", inMs: 10 },
        { kind: "end", inMs: -5 }];
      buzz.schedule(cues); await new Promise((done) => setTimeout(done, 90)); const off = felt.length;
      buzz.on = true; buzz.schedule(cues); await new Promise((done) => setTimeout(done, 40)); buzz.silence();
      await new Promise((done) => setTimeout(done, 60));
      return [off, felt];
    JS

    expect(answer).to eq [0, [[220]]]
  end

  describe "what waits to be sent" do
    def pieces(answers) = evaluate(<<~JS, "outbox.js")
      const { store } = await import("#{Windlass::Assets.path("js/store.js")}");
      const asked = []; const answers = #{JSON.generate(answers)};
      window.fetch = async (path, { body } = {}) => { asked.push(body ? JSON.parse(body).n : path);
      const status = answers.shift(); if (status === 0) throw new Error("gone");
      return { ok: status < 300, status, json: async () => ({ errors: { n: "no" }, token: "new" }) }; };
      for (const n of [1, 2, 3]) await module.put(`u${n}`, "/dives", { n });
      const waiting = await module.sendPieces();
      const left = (await store.pieces()).map(({ uuid, refused }) => [uuid, refused ?? "waits"]);
      for (const { uuid } of await store.pieces()) await store.dropPiece(uuid);
      return [waiting, left, asked];
    JS

    it "is forgotten once it is there, put aside where it is refused, and kept in order where nobody answers" do
      expect(pieces([200, 422, 200])).to eq [1, [%w[u2 {"n":"no"}]], [1, 2, 3]]
      expect(pieces([200, 0])).to eq [2, [%w[u2 waits], %w[u3 waits]], [1, 2]]
      expect(pieces([500, 200, 200])).to eq [1, [%w[u1 waits]], [1, 2, 3]]
    end

    it "asks for a new token once where the old one has grown too old" do
      expect(pieces([403, 200, 200, 200, 200])).to eq [0, [], [1, "/token", 1, 2, 3]]
    end
  end

  it "has marks of two pages that never write over one another" do
    answer = evaluate(<<~JS, "journal.js")
      const { store } = await import("#{Windlass::Assets.path("js/store.js")}");
      const deck = await module.Journal.open("s1"); deck.send = () => {};
      deck.add("start", 0); await new Promise((done) => setTimeout(done, 50));
      const other = await module.Journal.open("s1");
      other.post = async (events) => ({ kept: events.map((one) => one.uuid), refused: [] });
      const sending = other.send(); deck.add("hold_start", 5, { round: 1 }); deck.run = { index: 3 }; await sending;
      await new Promise((done) => setTimeout(done, 80));
      const left = [(await store.marksOf("s1")).map(({ kind }) => kind), (await store.run("s1"))?.run?.index];
      await store.dropMarks((await store.marksOf("s1")).map(({ uuid }) => uuid)); await store.dropRun("s1");
      return left;
    JS

    expect(answer).to eq [["hold_start"], 3]
  end

  it "says how long ago each mark was made, in order, and who this device is" do
    answer = evaluate(<<~JS, "journal.js")
      const sent = []; window.fetch = async (path, { body }) => { sent.push(JSON.parse(body));
      return { ok: true, json: async () => ({ kept: sent.at(-1).events.map((one) => one.uuid), refused: [] }) }; };
      const journal = await module.Journal.open("s2"); journal.put("start", 0);
      await new Promise((done) => setTimeout(done, 120)); journal.put("stop", 120); await journal.send();
      const seen = ({ kind, ago_ms, uuid }) => [kind, ago_ms >= 0, ago_ms > 100, /^[0-9a-f-]{36}$/.test(uuid)];
      const { events, device } = sent[0];
      const kept = localStorage.getItem("windlass.device");
      return [events.map(seen), /^[0-9a-f]{16}$/.test(device), kept === device];
    JS

    expect(answer).to eq [[["start", true, true, true], ["stop", true, false, true]], true, true]
  end

  it "makes names of its own where the browser does not" do
    answer =
      evaluate(
        "Object.defineProperty(crypto, 'randomUUID', { value: undefined, configurable: true }); return Array.from({ " \
        "length: 200 }, () => module.uuid());",
        "uuid.js"
      )

    expect(answer.uniq.size).to eq 200
    expect(answer).to all(match(Windlass::Forms::JournalForm::UUID))
  end
end
