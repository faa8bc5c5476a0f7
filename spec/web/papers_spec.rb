# frozen_string_literal: true

require "web_helper"
require "midilib"
require "pdf/reader"
require "open3"

# What is printed and listened to, read by readers that are not ours: pdf-reader, midilib, SciPy, Chromium's own cues.
RSpec.describe "Papers and files to listen to", :web do
  let(:athlete) { make_athlete(name: "Łucja Åberg").tap { |one| make_pause(one) } }
  let(:prescription) { prescribe(athlete) }
  let(:timeline) { Windlass::Presenters::PrescriptionSheet.new(prescription, now: clock.now).timeline }

  # Without blanks: the reader takes a narrow one for none.
  def words = PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join.delete(" \n")

  def tell(*phrases) = include(*phrases.map { |phrase| phrase.delete(" ") })

  it "prints a card of one page whose text can be searched" do
    %w[A5 A4].each do |size|
      get("/prescriptions/#{prescription.id}/card.pdf?size=#{size}")
      expect(words).to tell("Łucja Åberg", "13 holds of 5 s in 5 min", "First breath", "Then breathe")
      expect(PDF::Reader.new(StringIO.new(last_response.body)).page_count).to eq 1
    end
  end

  it "asks a clinician, with what was seen and a part to reply on; and begins an incident report" do
    session = run_set(prescription)
    send_json(
      "/sessions/#{session.uuid}/events",
      {
        events:
          [["emergency", nil, 1000], ["emergency_note", "stopped_breathing", 6000]].map do |kind, value, at|
            {uuid: SecureRandom.uuid, kind: kind, value: value, at_ms: at}.compact
          end
      }
    )
    get("/athletes/#{athlete.id}/letter.pdf")
    expect(words).to tell(
      "Łucja Åberg, born on 1 April 1995",
      "Stopped breathing, noted on the deck on 2 March 2026.",
      "open with limits:",
      "Date and signature"
    )
    get("/sessions/#{session.uuid}/incident.pdf")
    expect(words).to tell("Incident report", "0:05", "stopped breathing", "Witnesses", "Signs: blackout.")
  end

  it "is a WAV whose sounds begin where the deck's do, and a MIDI file of exact tempo with a marker at each part" do
    get("/prescriptions/#{prescription.id}/practice.wav?tones=1")
    reader =
      "import sys, io, json, numpy, scipy.io.wavfile as w\nrate, d = " \
      "w.read(io.BytesIO(sys.stdin.buffer.read()))\nloud = numpy.flatnonzero(abs(d.astype(int)) > 300) / rate\n" \
        "print(json.dumps([rate, len(d) / rate, [loud[0], *[b for a, b in zip(loud, loud[1:]) if b - a > 0.03]]]))"
    rate, seconds, onsets =
      JSON.parse(Open3.capture2("/usr/bin/python3", "-c", reader, stdin_data: last_response.body, binmode: true).first)
    due = Windlass::Spoken.of(timeline, voice: false).cues.map { |cue| cue.at_ms / 1000.0 + 3.5 }
    expect([rate, seconds]).to match [22_050, be_within(0.5).of(timeline.total_ms / 1000.0 + 5)]
    expect(due.map { |at| onsets.map { |onset| (onset - at).abs }.min }.max).to be < 0.005

    get("/prescriptions/#{prescription.id}/beat.mid")
    sequence = MIDI::Sequence.new.tap { |one| one.read(StringIO.new(last_response.body)) }
    markers =
      sequence
        .tracks
        .flat_map(&:events)
        .select { |event| event.is_a?(MIDI::MetaEvent) && event.meta_type == MIDI::META_MARKER }
    expect([sequence.ppqn, sequence.tempo, markers.map(&:time_from_start)]).to eq [
      1000,
      60.0,
      timeline.placed.map(&:start_ms)
    ]
  end
end
