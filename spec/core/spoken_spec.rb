# frozen_string_literal: true

require "json"

# What is heard of a session (design: the ear). Lengths of words are the synthesiser's own.
RSpec.describe Windlass::Spoken do
  values = Windlass::Measures::Values.new(control_pause_s: 26, maximal_hold_s: 110, sustained_exhale_beats: 20)
  random = Random.new(25)

  # A dose of a family as somebody might set it: a rung, and some of its details.
  any_dose =
    lambda do |family|
      rung = Windlass::Progression::Ladder.new(family, values).rungs.sample(random: random)
      family
        .parameters
        .select(&:folded)
        .sample(3, random: random)
        .reduce(rung) do |dose, one|
          value =
            if one.choices
              one.choices.keys.sample(random: random)
            else
              (one.range.step(one.step || 1).to_a.sample(random: random) unless one.numbers)
            end
          changed = value.nil? ? dose : dose.merge(one.key => value)
          (family.faults(changed).empty? && family.compile(changed).segments.any?) ? changed : dose
        end
    end
  doses = Windlass::Protocols::ALL.flat_map { |family| Array.new(4) { [family, any_dose[family]] } }
  blocks = Windlass::Protocols.find("blocks")
  sessions =
    doses
      .each_slice(5)
      .map { |some| some.reject { |_, dose| dose[:sets] }.first(3) }
      .reject(&:empty?)
      .map do |some|
        [
          blocks,
          Windlass::Protocols.dose(
            {blocks: some.map { |family, dose| {protocol: family.id, dose: dose.reject { |_, value| value.nil? }} }}
          )
        ]
      end
  heard =
    (doses + sessions).map do |family, dose|
      bound = family.bound(dose)
      compiled = bound.compile(dose)
      score =
        described_class.of(
          compiled,
          counts: bound.counting(dose),
          calls: bound.calls(dose),
          blocks: bound.named_blocks(dose)
        )
      ["#{bound.id} #{dose}", compiled, score]
    end
  said = ->(score) { score.cues.select { |cue| described_class::SAID.include?(cue.kind) } }

  it "never says two things at once, and everything that it says is there to be heard" do
    heard.each do |name, _, score|
      expect(
        [
          name,
          said[score].each_cons(2).select { |one, other| one.end_ms > other.at_ms }.map { |pair| pair.map(&:words) }
        ]
      ).to eq [name, []]
      expect(
        [name, said[score].reject { |cue| cue.kind == :own || described_class::Clips.of(cue.words) }.map(&:words)]
      ).to eq [name, []]
    end
  end

  it "opens every part with a tone, and lays none over a note" do
    heard.each do |name, compiled, score|
      tones = score.cues.select { |cue| cue.kind == :tone }
      audible = compiled.placed.reject { |place| place.segment.silent || place.ms < 1000 }
      expect([name, audible.map(&:start_ms) - tones.map(&:at_ms)]).to eq [name, []]
      notes = score.cues.select { |cue| cue.kind == :note }
      expect(
        [name, notes.flat_map { |note| tones.select { |tone| tone.at_ms < note.end_ms && tone.end_ms > note.at_ms } }]
      ).to eq [name, []]
      sung =
        compiled.placed.each_cons(2).filter_map do |before, place|
          place if place.segment.tone_hz && !before.segment.tone_hz
        end
      expect([name, notes.map { |note| [note.end_ms, note.hz] }]).to eq [
        name,
        sung.map { |place| [place.start_ms, place.segment.tone_hz] }
      ]
    end
  end

  # By 0.6 of its part, and in short ones by 1.2 s or 0.9 of it: ear.md. Of short strokes a number, or a new gear, tells
  # them.
  it "tells every change in time, or says that it can not be told" do
    heard.each do |name, compiled, score|
      deeds = described_class::Deeds.new(compiled)
      told, named = [%i[instruction], %i[call count]].map do |kinds|
        score.cues.select { |cue| kinds.include?(cue.kind) }.group_by(&:part)
      end
      open = false
      compiled.placed.each_with_index do |place, index|
        next if place.segment.silent

        by = place.start_ms + ((place.ms < 2000) ? [1200, 0.9 * place.ms].min : 0.6 * place.ms)
        in_time =
          told.fetch(index, []).any? { |cue| cue.end_ms <= by && cue.at_ms >= place.start_ms - 1000 } ||
          (place.ms < 2000 && named.fetch(index, []).any? { |cue| cue.at_ms == place.start_ms })
        open = !in_time && (open || score.impossible.any? { |one| one.part == index })
        expect([name, index, in_time || open || !deeds.changes?(index)]).to eq [name, index, true]
      end
    end
  end

  it "says little: five words at most, three in 2 s, four in 2.6 s, five in 3.2 s; and the same words mean the same " \
    "deed" do
    heard.each do |name, compiled, score|
      deeds = described_class::Deeds.new(compiled)
      instructions = score.cues.select { |cue| cue.kind == :instruction && !cue.words.start_with?("for ") }
      long =
        instructions.select do |cue|
          cue.words.split.size > 5 ||
            compiled.placed[cue.part].ms < {3 => 2000, 4 => 2600, 5 => 3200}.fetch(cue.words.split.size, 0)
        end
      expect([name, long.map(&:words)]).to eq [name, []]
      expect(
        [
          name,
          instructions
            .group_by(&:words)
            .select { |_, cues| cues.map { |cue| deeds.deed_key(cue.part) }.uniq.size > 1 }
            .keys
        ]
      ).to eq [name, []]
    end
  end

  it "counts on the beat, with the right last number; a number that gives way is said to" do
    heard.each do |name, compiled, score|
      counts = score.cues.select { |cue| cue.kind == :count }.group_by(&:part)
      compiled
        .placed
        .each_with_index
        .select { |place, _| place.segment.beats }
        .each do |place, index|
          beat_ms = place.ms / place.segment.beats.to_f
          off =
            counts
              .fetch(index, [])
              .map { |cue| ((cue.at_ms - place.start_ms) % beat_ms).then { |late| [late, beat_ms - late].min } }
          expect([name, index, off.max.to_f]).to match [name, index, be < 10]
          last = counts[index]&.last or next
          unless score.dropped.any? { |one|
                   one.part == index && one.because.include?(described_class::Clips.number(place.segment.beats.ceil))
                 }
            expect([name, index, last.words]).to eq [
              name,
              index,
              described_class::Clips.number(place.segment.beats.ceil)
            ]
          end
        end
    end
  end

  it "says where one is once a round, in a part that leaves the time" do
    heard.each do |name, compiled, score|
      places = score.cues.select { |cue| cue.kind == :place }
      short =
        places.reject do |cue|
          compiled.placed[cue.part].then do |place|
            place.ms >= 6000 && cue.at_ms >= place.start_ms && cue.end_ms <= place.end_ms - 1000
          end
        end
      expect([name, short.map(&:words)]).to eq [name, []]
      rounds = places.map { |cue| [compiled.segments[cue.part].block, cue.round] }
      expect([name, rounds.size]).to eq [name, rounds.uniq.size]
    end
  end

  words =
    lambda do |family, dose, **how|
      bound = Windlass::Protocols.find(family).bound(dose)
      described_class.of(bound.compile(dose), counts: bound.counting(dose, **how), calls: bound.calls(dose)).cues
    end
  instructions = ->(*given) { words[*given].select { |cue| cue.kind == :instruction }.map(&:words) }
  nostril = {stage: 0, cycles: 1, rounds: 1, count_s: 1}.freeze

  # Each pair differs in one thing that the body does.
  {
    side: [nostril, {form: "warming"}, {form: "cooling"}],
    narrowing: [nostril, {narrow: "in"}, {narrow: "out"}],
    lock: [nostril, {root: "full", retention: "full"}, {throat: "full", retention: "full"}],
    retention: [nostril, {retention: "full"}, {retention: "empty"}]
  }.each do |what, (usual, one, other)|
    it "tells two sessions apart by their #{what}" do
      expect(instructions["alternate-nostril", usual.merge(one)]).not_to eq instructions[
        "alternate-nostril",
        usual.merge(other)
         ]
    end
  end

  it "leads one-sided breathing with a lock that is let go early, in the words of the trade" do
    dose = nostril.merge(count_s: 0.8, form: "warming", counts: [4, 16, 8, 0], throat: "full", let_go: 2)
    expect(instructions["alternate-nostril", dose]).to eq [
      "out left", "in right", "hold, full; throat", "out left", "hand down"
    ]
    expect(
      words["alternate-nostril", dose].select { |cue| cue.kind == :call }.map { |cue| [cue.words, cue.at_ms] }
    ).to eq [["let the lock go", 8_000 + 14 * 800]]
  end

  it "names belly, chest and collarbones, gears and their last strokes, half a breath out, and how long a hiss is " \
    "to last, a beat before it" do
    expect(instructions["full-breath", {hold_s: 12, breaths: 1, leads: 1}]).to eq [
      "breathe", "in, nose", "out, mouth", "belly, mouth, narrowed", "chest, mouth, narrowed", "collarbones",
      "hold, full", "let go", "breathe"
    ]
    bellows = words["bellows", {gear_s: 5, hold_s: 15, rounds: 1}]
    expect(
      [
        bellows.select { |cue| cue.kind == :call }.map(&:words),
        bellows.select { |cue| cue.kind == :count }.map(&:words).first(4).last
      ]
    ).to eq [%w[double triple], "last one"]
    deep =
      words[
        "deep-rounds",
        {breaths: 20, cap_s: 10, recovery_hold_s: 15, rounds: 1, out_to: "half", in_s: 1.4, out_s: 1.4, hold_s: 8}
      ]
    expect(deep.select { |cue| cue.kind == :count }.map(&:words).first(19)).to eq(
      (2..20).map { |number| described_class::Clips.number(number) }
    )
    expect(deep.select { |cue| cue.kind == :instruction }.map(&:words).values_at(2, 4, 6)).to eq [
      "half out",
      "half",
      "half"
    ]
    hiss = words["hiss-ladder", {top_beats: 16, tempo: 66}].select { |cue| cue.words&.start_with?("for ") }
    expect(hiss.map(&:words)).to eq ["for eight", "for eight", "for twelve", "for twelve", "for sixteen", "for sixteen"]
    compiled = Windlass::Protocols.find("hiss-ladder").compile({top_beats: 16, tempo: 66})
    expect(hiss.map { |cue| compiled.placed[cue.part].start_ms - cue.at_ms }).to all(be_within(1).of(60_000 / 66.0))
  end

  it "names the blocks of a series by what differs, and others by their family" do
    series =
      lambda do |*all|
        dose =
          Windlass::Protocols.dose(
            {
              blocks:
                all.map { |id, more| {protocol: id, dose: {**Windlass::Protocols.find(id).start(values), **more}} }
            }
          )
        blocks.named_blocks(dose).values
      end
    ways = %w[none in out both].map { |way| ["alternate-nostril", {stage: 0, form: "warming", narrow: way}] }
    expect(series[*ways]).to eq ["open", "narrowed in", "narrowed out", "narrowed in and out"]
    expect(series[ways[1], ["ratio", {}], ways[1]]).to eq ["alternate nostril", "ratio breathing", "alternate nostril"]
    expect(series[*ways].map { |name| described_class::Clips.of("block two: #{name}") }).to all(be_an(Array))

    dose =
      Windlass::Protocols.dose(
        {
          blocks:
            ways.map do |id, more|
              {protocol: id, dose: {**Windlass::Protocols.find(id).start(values), **more, count_s: 1.5}}
            end
        }
      )
    score = described_class.of(blocks.bound(dose).compile(dose), blocks: blocks.named_blocks(dose))
    expect(score.cues.select { |cue| cue.kind == :place }.map(&:words)).to include(
      "block one: open; round one of two",
      "block two: narrowed in; round one of two",
      "last round",
      "block four: narrowed in and out; round one of two"
    )
  end

  it "counts the way that is wanted, or not at all, and says nothing where only tones are" do
    numbers = ->(way) do
      words["ratio", {pattern: [4, 2, 4, 2], count_s: 1, rounds: 1}, way: way]
        .select { |cue| cue.kind == :count && cue.part == 2 }
        .map(&:words)
    end
    expect([numbers[:up].last, numbers[:down].last, numbers[:none]]).to eq ["four", "one", []]
    compiled = Windlass::Protocols.find("ratio").compile({pattern: [4, 2, 4, 2], count_s: 1, rounds: 1})
    expect(described_class.of(compiled, voice: false).cues.map(&:kind).uniq).to match_array %i[tick tone]
    # A call that nobody says is a tone, in the practice track as well.
    own = Windlass::Protocols.find("own-pace")
    calls = own.calls({minutes: 3})
    expect(
      described_class
        .of(own.compile({minutes: 3}), calls: calls, voice: false)
        .cues
        .select { |cue| cue.kind == :call }
        .map { |cue| [cue.at_ms, cue.words] }
    ).to eq(calls.map { |at_ms, _| [at_ms, nil] })
  end

  it "says no place that would end in the last second of its part, and which lock is kept" do
    crowded =
      Windlass::Timeline::Compiler.compile do |line|
        (1..2).each do |round|
          line.breathe(
            7,
            round: round,
            calls: [
              [0, "two more minutes"],
              [1300, "two more minutes"],
              [2600, "two more minutes"],
              [3900, "too tight: let a little out"]
            ]
          ) && line.hold(5.9, round: round)
        end
      end
    score = described_class.of(crowded)
    expect([score.cues.count { |cue| cue.kind == :place }, score.dropped.count { |one| one.kind == :place }]).to eq [
      0,
      2
    ]
    expect(instructions["alternate-nostril", nostril.merge(root: "full and out", retention: "full")]).to include(
      "out left; keep root"
    )
  end

  it "says nothing ahead in a part that a hand ends, counts each second beat where beats are short, and the last " \
    "three seconds of a hold" do
    open =
      Windlass::Timeline::Compiler.compile do |line|
        line.breathe(8, repetitions: 4)
        line.inhale(0.4, to: :easy)
      end
    expect(described_class.of(open).cues.select { |cue| cue.kind == :instruction }.map(&:words)).to eq ["go"]
    quick =
      words["ratio", {pattern: [8, 0, 8, 0], count_s: 0.5, rounds: 1}].select do |cue|
        cue.kind == :count && cue.part == 1
      end
    expect(quick.map(&:words)).to eq %w[four six eight]
    expect(
      words["co2-table", {hold_s: 45, first_rest_s: 60, rest_step_s: 15, rest_floor_s: 30, rounds: 2}]
        .select { |cue| cue.kind == :count && cue.part == 2 }
        .map(&:words)
    ).to eq %w[ten twenty thirty forty three two one]
  end

  it "lays what leads into the next part from the end of its own, and beats as shares" do
    compiled = Windlass::Protocols.find("ratio").compile({pattern: [4, 0, 6, 0], count_s: 1, rounds: 2})
    laid = described_class::Laid.new(compiled, described_class.of(compiled, counts: ->(_) { %i[beats up] })).by_part
    ahead = laid.fetch(1).map(&:to_a).find { |kind, at, _, clips| kind == :say && at == "e" && clips }
    expect(ahead).to eq [:say, "e", 60 + described_class::Clips.ms("in"), ["in"]]
    expect(
      laid.fetch(1).map(&:to_a).select { |kind, *| %i[tick accent].include?(kind) }.map { |_, at, share| [at, share] }
    ).to eq((0..5).map { |beat| ["b", (beat / 6.0).round(6)] })
  end

  it "names own words as no word that ships is named" do
    expect(described_class::Clips::LENGTHS.keys.grep(/\A#{described_class::Clips::OWN}/o)).to eq []
  end

  it "has a file for every word, no other, and knows how long each is" do
    files = Dir["#{described_class::Clips::FOLDER}/*.mp3"].map { |path| File.basename(path, ".mp3") }
    expect([files, described_class::Clips::LENGTHS.keys]).to all(
      match_array(described_class::Clips::ALL.map { |text| described_class::Clips.name(text) })
    )
  end
end
