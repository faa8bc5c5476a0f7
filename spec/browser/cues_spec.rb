# frozen_string_literal: true

require "browser_helper"

# What the deck plays is what the core says (`bin/windlass cues`), word for word and tone for tone.
RSpec.describe "What the deck plays", :browser do
  let(:athlete) { make_athlete(disciplines: %w[freediving surfing singing]).tap { |one| make_pause(one, 40) } }

  def by_deck(plan)
    found_by(<<~JS)
      Promise.all([import("#{Windlass::Assets.path("js/cues.js")}"),
        import("#{Windlass::Assets.path("js/run.js")}")]).then(([cues, { Run }]) => {
        const plan = #{JSON.generate(plan)};
        const run = new Run({ ...plan, over: true, hands_free: true }, { run: null }, {});
        Object.assign(run.state, { index: 0, segmentStart: 0 });
        return cues.cuesBetween(run, -60000, 36e6)
          .map(({ atMs, kind, hz, say }) => [Math.round(atMs), kind, hz ?? 0, (say ?? []).join(" ")])
          .sort((one, other) => one[0] - other[0] || (one[1] < other[1] ? -1 : 1));
      }).then((found) => arguments[0](found), (error) => arguments[0](String(error)))
    JS
  end

  # What a hand may end waits on the deck, and can't on a track; what is counted runs by the clock.
  def timed?(timeline) =
    timeline.segments.none? { |segment| segment.open? && (segment.hold? || !(segment.breaths || segment.repetitions)) }

  def by_core(session)
    dose = session.to_dose
    protocol = session.to_protocol
    Windlass::Spoken
      .of(session.to_timeline, counts: protocol.counting(dose), calls: protocol.calls(dose))
      .cues
      .map do |cue|
        kinds = {instruction: :say, place: :say, tick: cue.accent ? :accent : :tick}
        [
          cue.at_ms.round,
          (cue.tone || kinds.fetch(cue.kind, cue.kind)).to_s,
          cue.hz || 0,
          Windlass::Spoken::Clips.of(cue.words.to_s).to_a.join(" ")
        ]
      end
  end

  it "is what the core says, family by family" do
    visit("/athletes/new")
    athlete.measures.create!(
      account_id: 1,
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: 150,
      taken_at: WebHelpers::NOON - 40 * 86_400,
      details: {}
    )
    athlete.days.create!(account_id: 1, local_date: clock.now.to_date, watcher: "Ada Quill")
    compared =
      Windlass::Protocols::ALL.select do |protocol|
        session = plan(Windlass::Actions::Prescribe.call(athlete, protocol, now: clock.now))
        timeline = session.to_timeline
        next unless timed?(timeline)

        played, said = by_deck(Windlass::Presenters::Deck.new(session).plan).sort, by_core(session).sort
        expect(
          [
            protocol.id,
            played.map { |at, *rest| rest } == said.map { |at, *rest| rest },
            played.zip(said).map { |one, other| (one[0] - other[0]).abs }.max
          ]
        ).to match [protocol.id, true, be <= 2]
      end

    expect(compared.size).to be > 8
  end

  # Asks a script of the page's own modules for a value.
  def by_modules(*names, script)
    modules = names.map { |name| %(import("#{Windlass::Assets.path("js/#{name}.js")}")) }.join(", ")
    found_by(
      "Promise.all([#{modules}]).then(async (modules) => { #{script} }).then((found) => arguments[0](found), " \
      "(error) => arguments[0](String(error.stack)))"
    )
  end

  it "is speech as this device likes it: longer or shorter at its pitch, and never longer than what was reckoned" do
    visit("/athletes/new")
    found = by_modules("stretch", <<~JS)
      const [{ stretched }] = modules;
      const tone = Float32Array.from({ length: 24000 }, (_, at) => Math.sin(2 * Math.PI * 220 * at / 48000));
      return [0.8, 1.14].map((factor) => {
        const other = stretched(tone, factor, 48000);
        let crossed = 0;
        for (let at = 1; at < other.length; at += 1) if (other[at - 1] < 0 && other[at] >= 0) crossed += 1;
        return [other.length, crossed / (other.length / 48000), Math.max(...other)];
      });
    JS
    expect(found).to match [
      [19_200, be_within(8).of(220), be_within(0.15).of(1)],
      [27_360, be_within(8).of(220), be_within(0.15).of(1)]
    ]

    names = %w[in out-left hold-full seventeen last-round collarbones two-more-minutes]
    lasting = by_modules("voice", <<~JS)
      const [{ Voice, VOICES, PACES, PITCHES }] = modules;
      const context = new AudioContext();
      const all = [];
      const each = (way) => Object.keys(way);
      for (const voice of each(VOICES)) for (const pace of each(PACES)) for (const pitch of each(PITCHES)) {
        const choices = Object.entries({ speaker: voice, pace, pitch });
        choices.forEach(([what, value]) => localStorage.setItem(`windlass.${what}`, value));
        const one = new Voice();
        await one.load(#{names.to_json}, context);
        const lasts = ({ buffer, rate }) => 1000 * buffer.duration / rate;
        all.push([voice, pace, pitch, #{names.to_json}.map((name) => lasts(one.buffers.get(name)))]);
      }
      localStorage.clear();
      return all;
    JS
    expect(lasting.map { |one| one.first(3) }.uniq.size).to eq Windlass::Spoken::Voices::ALL.size * 6
    reckoned = names.map { |name| Windlass::Spoken::Clips::LENGTHS.fetch(name) }
    lasting.each do |*how, lengths|
      expect([how, lengths.zip(reckoned).map { |one, most| one - most }.max]).to match [how, be < 60]
    end
  end

  it "lies where it was reckoned, however long the reckoning took" do
    visit("/athletes/new")
    laid = by_modules("sound", <<~JS)
      const [{ Sound }] = modules;
      const sound = new Sound();
      await sound.wake();
      const starts = [];
      const channel = Object.assign(sound.channel(), { tone: (hz, at) => starts.push(at) });
      const since = performance.now();
      channel.schedule([{ kind: "hold_full", inMs: 1000 }], since);
      while (performance.now() < since + 80);
      channel.schedule([{ kind: "hold_full", inMs: 1000 }], since);
      return 1000 * (starts[1] - starts[0]);
    JS
    expect(laid).to be_within(8).of(0)
  end

  it "is words and tones, tones alone, or words alone: then only what no word tells has its tone" do
    visit("/athletes/new")
    sounded = by_modules("sound", <<~JS)
      const [{ Sound }] = modules;
      const sound = new Sound();
      await sound.wake();
      const cues = [
        { kind: "in", told: true }, { kind: "out" }, { kind: "tick" },
        { kind: "note", hz: 220, lastsMs: 300, told: true },
        { kind: "call", say: ["let-go-soon"] }, { kind: "say", say: ["in"] },
      ].map((cue) => ({ ...cue, inMs: 500 }));
      return [[true, true], [false, true], [true, false]].map(([speaking, toning]) => {
        const heard = [];
        const ears = { tone: (hz) => heard.push(hz), words: (say) => heard.push(say[0]) };
        const channel = Object.assign(sound.channel(), { speaking, toning, ...ears });
        channel.schedule(cues);
        return heard;
      });
    JS
    expect(sounded).to eq [
      [440, 660, 660, 440, 880, 220, "let-go-soon", "in"],
      [440, 660, 660, 440, 880, 220, 784, 988],
      [660, 440, 220, "let-go-soon", "in"]
    ]
  end
end
