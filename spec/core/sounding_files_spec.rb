# frozen_string_literal: true

require "midilib"
require "open3"
require "stringio"

# What is listened to, of every family: it lasts as long as the session, says every part, and is no louder than a file
# may be.
RSpec.describe "Files to listen to" do
  measured = Windlass::Measures::Values.new(control_pause_s: 30, maximal_hold_s: 150, sustained_exhale_beats: 20)
  plans = Windlass::Protocols::ALL.to_h { |family| [family.id, family.compile(family.start(measured))] }

  it "are as long as the session with its count-in, family by family, and begin with three ticks" do
    plans.each do |id, plan|
      score = Windlass::Spoken.of(plan, voice: false)
      cues = score.cues
      track = Windlass::Formats::PracticeWav.new(score)

      expect([id, cues.select { |cue| cue.at_ms.negative? && cue.kind == :tick }.map(&:at_ms)]).to eq [
        id,
        [-3000, -2000, -1000]
      ]
      expect([id, cues.last.tone, cues.last.at_ms]).to eq [id, :end, plan.total_ms]
      expect([id, cues.map(&:at_ms)]).to eq [id, cues.map(&:at_ms).sort]
      expect([id, (track.bytes - 44) / 2.0 / Windlass::Formats::PracticeWav::RATE]).to match [
        id,
        be_within(2.5).of(plan.total_ms / 1000.0 + 4)
      ]
    end
  end

  it "write as many bytes as they say, silence between tones, and nothing that is clipped" do
    bytes = +"".b
    track = Windlass::Formats::PracticeWav.new(Windlass::Spoken.of(plans.fetch("bellows"), voice: false))
    track.write { |part| bytes << part }
    samples = bytes.byteslice(44..).unpack("s<*")

    expect([bytes.bytesize, bytes[0, 4], bytes[8, 8], bytes.byteslice(40, 4).unpack1("V")]).to eq [
      track.bytes,
      "RIFF",
      "WAVEfmt ",
      2 * samples.size
    ]
    expect(samples.map(&:abs).max).to be_between(6_000, 32_000)
    expect(samples.first(10_000)).to all(eq(0))
    expect(samples.last(10_000)).to all(eq(0))
  end

  it "say every word where the schedule says, the coach's own too, and nothing beside; the same each time" do
    family = Windlass::Protocols.find("ratio")
    plan = family.compile(dose = {pattern: [4, 12, 6, 2], count_s: 1, rounds: 2})
    plan =
      plan.with_segments(
        plan.segments.map { |segment| segment.hold? ? segment.with(own: "let the brow be wide") : segment }
      )
    own = Windlass::Formats::MuLaw.encode(([8000, -8000] * 5000).pack("s<*"))
    score = Windlass::Spoken.of(plan, counts: family.counting(dose), own_ms: {"let the brow be wide" => 454})
    write = -> do
      +"".b.tap { |bytes| Windlass::Formats::PracticeWav.new(score, own: ->(_) { own }).write { |part| bytes << part } }
    end
    samples = (bytes = write.call).byteslice(44..).unpack("s<*")
    at = ->(ms) { ((ms + 3500) * Windlass::Formats::PracticeWav::RATE / 1000.0).round }

    said = score.cues.select(&:words)
    expect(said.map(&:kind)).to include(:instruction, :place, :count, :own)
    expect(said.map { |cue| samples[at[cue.at_ms]...at[cue.end_ms]].map(&:abs).max }).to all(be > 1000)
    score.cues.each { |cue| samples.fill(0, at[cue.at_ms], at[cue.end_ms + 60] - at[cue.at_ms]) if cue.words }
    expect(samples.each_slice(22).count { |some| some.any?(&:nonzero?) }).to be <
      22_050 / 22 * 0.5 * score.cues.count { |cue| !cue.words }
    expect(write.call).to eq bytes
  end

  # Python's `audioop` is the other µ-law. What it encodes is compared by its loudness: it rounds what is negative its
  # own way.
  it "keep words in the µ-law that others read" do
    python =
      "import sys, audioop\nsys.stdout.buffer.write(audioop.ulaw2lin(bytes(range(256)), 2) + " \
      "audioop.ulaw2lin(audioop.lin2ulaw(sys.stdin.buffer.read(), 2), 2))"
    samples = (-32_768..32_767).step(7).to_a
    theirs =
      Open3
        .capture2("/usr/bin/python3", "-W", "ignore", "-c", python, stdin_data: samples.pack("s<*"), binmode: true)
        .first
        .unpack("s<*")
    mu_law = Windlass::Formats::MuLaw

    expect(mu_law.decode((0..255).to_a.pack("C*"))).to eq theirs.first(256)
    expect(
      mu_law
        .decode(mu_law.encode(samples.pack("s<*")))
        .zip(theirs.drop(256))
        .map { |one, other| (one - other).abs - other.abs / 16.0 }
        .max
    ).to be <= 8
  end

  it "have the pitch that the deck has, and a note its own" do
    rate = Windlass::Formats::PracticeWav::RATE
    pitch = ->(kind, hz = nil) do
      Windlass::Formats::Tones.samples(kind, hz, rate, seconds: (1 if hz))[200, rate / 50]
        .each_cons(2)
        .count { |one, other| one <= 0 && other > 0 } * 50
    end

    expect([pitch[:hold_full], pitch[:hold_empty], pitch[:tick], pitch[:accent], pitch[:note, 220.0]]).to match [
      be_within(50).of(330),
      be_within(50).of(262),
      be_within(50).of(880),
      be_within(60).of(988),
      be_within(50).of(220)
    ]
    expect(Windlass::Formats::Tones::TONES.keys).to match_array Windlass::Spoken::TONES + %i[tick accent call note]
  end

  it "are MIDI with a marker where each part begins and a click on every beat, to the millisecond" do
    plans.each do |id, plan|
      sequence = MIDI::Sequence.new.tap { |one| one.read(StringIO.new(Windlass::Formats::BeatMidi.new(plan, id).to_s)) }
      events = sequence.tracks.flat_map(&:events)
      markers = events.select { |event| event.is_a?(MIDI::MetaEvent) && event.meta_type == MIDI::META_MARKER }
      clicks = events.grep(MIDI::NoteOn)

      expect([id, markers.map(&:time_from_start)]).to eq [id, plan.placed.map(&:start_ms)]
      expect([id, clicks.size]).to eq [id, plan.segments.sum { |segment| segment.beats.to_f.ceil }]
      expect([id, events.last.time_from_start]).to eq [id, plan.total_ms]
    end
  end
end
