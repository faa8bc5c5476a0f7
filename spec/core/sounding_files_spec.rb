# frozen_string_literal: true

require "windlass/formats"
require "midilib"
require "stringio"

# What is listened to, of every family: it lasts as long as the session, says every part, and is no louder than a file may be.
RSpec.describe "Files to listen to" do
  measured = Windlass::Measures::Values.new(control_pause_s: 30, maximal_hold_s: 150, sustained_exhale_beats: 20)
  plans = Windlass::Protocols::ALL.to_h { |family| [family.id, family.compile(family.start(measured))] }

  it "are as long as the session with its count-in, family by family, and begin with three ticks" do
    plans.each do |id, plan|
      cues = Windlass::Spoken.of(plan, voice: false).cues
      track = Windlass::Formats::PracticeWav.new(cues)

      expect([id, cues.select { |cue| cue.at_ms.negative? && cue.kind == :tick }.map(&:at_ms)]).to eq [id, [-3000, -2000, -1000]]
      expect([id, cues.last.tone, cues.last.at_ms]).to eq [id, :end, plan.total_ms]
      expect([id, cues.map(&:at_ms)]).to eq [id, cues.map(&:at_ms).sort]
      expect([id, (track.bytes - 44) / 2.0 / Windlass::Formats::PracticeWav::RATE]).to match [id, be_within(2.5).of(plan.total_ms / 1000.0 + 4)]
    end
  end

  it "write as many bytes as they say, silence between tones, and nothing that is clipped" do
    bytes = +"".b
    track = Windlass::Formats::PracticeWav.new(Windlass::Spoken.of(plans.fetch("bellows"), voice: false).cues)
    track.write { |part| bytes << part }
    samples = bytes.byteslice(44..).unpack("s<*")

    expect([bytes.bytesize, bytes[0, 4], bytes[8, 8], bytes.byteslice(40, 4).unpack1("V")]).to eq [track.bytes, "RIFF", "WAVEfmt ", 2 * samples.size]
    expect(samples.map(&:abs).max).to be_between(6_000, 32_000)
    expect(samples.first(10_000)).to all(eq(0))
    expect(samples.last(10_000)).to all(eq(0))
  end

  it "have the pitch that the deck has, and a note its own" do
    rate = Windlass::Formats::PracticeWav::RATE
    pitch = ->(kind, hz = nil) { Windlass::Formats::Tones.samples(kind, hz, rate, seconds: (1 if hz))[200, rate / 50].each_cons(2).count { |one, other| one <= 0 && other > 0 } * 50 }

    expect([pitch[:hold_full], pitch[:hold_empty], pitch[:tick], pitch[:accent], pitch[:note, 220.0]]).to match [be_within(50).of(330), be_within(50).of(262), be_within(50).of(880), be_within(60).of(988), be_within(50).of(220)]
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
