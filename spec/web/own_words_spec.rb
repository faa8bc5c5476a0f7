# frozen_string_literal: true

require "web_helper"
require "open3"

RSpec.describe "A coach's own words", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 40) } }
  let(:family) { Windlass::Protocols.find("small-holds") }
  let(:words) { "let the tide hold you" }

  # The queue goes by the time of this machine.
  before { clock.now = Time.now }

  def composed(**said) =
    Windlass::Actions::Prescribe::Composed.new(to_dose: {**family.start(athlete.to_values), said: said})

  def prescribed(**said) = Windlass::Actions::Prescribe.call(athlete, family, own: composed(**said), now: clock.now)

  def heard(session) =
    Windlass::Presenters::Deck
      .new(session)
      .plan
      .fetch(:segments)
      .flat_map { |segment| segment[:heard].to_a }
      .select { |kind, *| kind == :own }

  it "are rendered as they are saved, in every voice; the deck knows how long they take, and gets them" do
    session = plan(prescribed(hold: words, note: "for me alone"))
    expect(heard(session).map(&:last)).to all(eq words)

    Delayed::Worker.new.work_off
    name = Windlass::Spoken::Clips.own_name(words)
    expect(Windlass::Records::OwnWords.pluck(:name, :voice)).to match_array Windlass::Spoken::Voices::ALL.map { |voice|
      [name, voice.name]
    }
    expect(heard(session)).not_to be_empty
    expect(heard(session).map { |one| one[3] }).to all(eq [name])
    expect(Windlass::Presenters::Deck.new(session).plan.fetch(:words)).to include name

    get("/words/deep/#{name}.wav")
    reader =
      "import sys, io, wave\ndata = sys.stdin.buffer.read()\nprint(int.from_bytes(data[20:22], 'little'), " \
      "int.from_bytes(data[24:28], 'little'), len(data) - 58 >= int.from_bytes(data[46:50], 'little') > 10000)"
    expect(
      [
        last_response.status,
        Open3.capture2("/usr/bin/python3", "-c", reader, stdin_data: last_response.body, binmode: true).first.strip
      ]
    ).to eq [200, "7 22050 True"]
    get("/words/nobody/#{name}.wav")
    expect(last_response.status).to eq 404
  end

  it "stand on the deck of those they are for: the parts of a plan are kept for whoever runs the same" do
    others = ["Odd Falkenrath", "Tove Brandt"].map { |name| make_athlete(name: name).tap { |one| make_pause(one, 40) } }
    parts = ->(prescription) { Windlass::Presenters::Deck.new(plan(prescription)).plan.fetch(:segments) }
    with_words = parts.call(prescribed(hold: words))
    same = others.map { |one| parts.call(prescribe(one)) }

    expect(same.last).to equal same.first
    expect(with_words.filter_map { |part| part[:own] }.uniq).to eq [words]
    expect(same.first.filter_map { |part| part[:own] }).to eq []
  end

  it "come at a moment, once, when the cues leave room; past the end they are refused by name" do
    moments = [{at_s: 120, words: words}, {at_s: 200, words: "jaw loose"}]
    session = plan(prescribed(moments: moments))
    Delayed::Worker.new.work_off
    deck = Windlass::Presenters::Deck.new(session).plan
    starts = deck[:segments].flat_map do |one|
      one[:heard].to_a.select { |kind, *| kind == :own }.map { |_, _, ms, clips| [one[:start_ms] + ms, clips] }
    end
    expect(starts).to match moments.map { |one|
      [be_between(one[:at_s] * 1000, (one[:at_s] + 20) * 1000), [Windlass::Spoken::Clips.own_name(one[:words])]]
    }
    expect(deck[:segments].flat_map { |one| one[:calls].to_a.map(&:last) }).to eq [words, "jaw loose"]

    typed = {"dose[hold_s]": "5", "dose[minutes]": "4", "dose[sets]": "1"}
    at = ->(time) { {"said[moments][0][at]": time, "said[moments][0][words]": "jaw loose"} }
    submit("/protocols/small-holds", "/protocols/small-holds", **typed, **at["9:00"])
    expect(page.at(".fault").text.strip).to match(/\Aafter 9:00 it is over; allowed: before \d:\d\d\z/)
    expect(page.at("[name='said[moments][0][at]']")["value"]).to eq "9:00"
    submit("/protocols/small-holds", "/protocols/small-holds", **typed, **at["soon"])
    expect(text).to include 'after "soon" is not allowed; allowed: 1 to 3600 s'
  end

  it "are the browser's where the synthesiser is not installed, and rendered once it is" do
    allow(Windlass::Synthesiser).to receive(:there?).and_return(false)
    prescribed(hold: words)
    Delayed::Worker.new.work_off
    expect(Windlass::Records::OwnWords.count).to eq 0

    allow(Windlass::Synthesiser).to receive(:there?).and_call_original
    2.times { Windlass::Actions::RenderWords.missing }
    expect(Windlass::Records::OwnWords.count).to eq Windlass::Spoken::Voices::ALL.size
  end

  it "are found in blocks, and are no sounds of the synthesiser's own" do
    dose = {
      blocks: [
        {protocol: "small-holds", dose: {said: {hold: "[[S::]] still"}}},
        {protocol: "quiet-breathing", dose: {said: {inhale: words}}}
      ]
    }
    expect(Windlass::Timeline::Said.texts(dose)).to eq ["[[S::]] still", words]

    said = []
    allow(Windlass::Synthesiser).to receive(:render) { |text, _| said << text && "\0\0" * 100 }
    Windlass::Actions::RenderWords.call(["[[S::]] still"])
    expect(said.uniq).to eq ["S:: still"]
  end
end
