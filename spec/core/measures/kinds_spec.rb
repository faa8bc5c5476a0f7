# frozen_string_literal: true

# Handbook 3.2 to 3.6: common practice, no published source.
RSpec.describe Windlass::Measures::Kind do
  noon = Time.new(2026, 3, 2, 12)

  define_method(:read) do |kind, value, earlier: [], maximal_hold_s: nil, disciplines: [], **details|
    taken = ->(one, at) { Windlass::Measures::Taken.new(value: one, details: details, taken_at: at) }
    context =
      Windlass::Measures::ReadingContext.new(
        earlier: earlier.each_with_index.map { |one, index| taken[one, noon - (earlier.size - index) * 86_400] },
        maximal_hold_s: maximal_hold_s,
        disciplines: disciplines
      )
    reading = Windlass::Measures.kind(kind).read(taken[value, noon], context)
    [reading.headline, *reading.sentences].join(" ")
  end

  it "says of every kind how it is taken and what is asked, in whole sentences" do
    Windlass::Measures::KINDS.each do |kind|
      expect([*kind.steps, *kind.cautions]).to all(end_with("."))
      expect(kind.fields.map(&:key).uniq.size).to eq kind.fields.size
      expect(described_class::CLOCKS).to include kind.clock
      expect(kind.fields.count { |field| field.range && field.choices }).to eq 0
    end
    expect { Windlass::Measures.kind("stamina") }.to raise_error Windlass::Unknown,
      /"stamina" does not exist; known: maximal_hold/
  end

  it "reads a maximal hold in its bands: under 35 s, to under 60 s, from there" do
    words = [34.9, 35, 59.9, 60].map { |seconds| read("maximal_hold", seconds, first_breath: "smooth", eventful: "no") }

    expect(words.map { |one| one[/: (.*?)\./, 1] }).to eq [
      "something to look into",
      "room to improve",
      "room to improve",
      "good for a healthy adult"
    ]
    expect(words.map { |one| one.include?("Suggest a doctor") }).to eq [true, false, false, false]
  end

  it "says how a maximal hold was reached: the share after the first contraction" do
    expect(
      read("maximal_hold", 100, contraction_s: 60, first_breath: "smooth", eventful: "no")
    ).to include "Struggle phase 40 % of the hold, after the first contraction at 1:00."
    expect(
      read("maximal_hold", 100, contraction_s: 45, first_breath: "smooth", eventful: "no")
    ).to include "reached by fighting, not by ease"
    expect(read("maximal_hold", 100, first_breath: "smooth", eventful: "no")).not_to include "Struggle"
  end

  it "doses only from a maximal hold that went well" do
    kind = Windlass::Measures.kind("maximal_hold")
    went =
      [%w[smooth no], %w[deeper no], %w[gasp no], %w[smooth dizzy], %w[smooth stop]].map do |breath, eventful|
        kind.went_well?(
          Windlass::Measures::Taken.new(
            value: 90,
            details: {
              first_breath: breath,
              eventful: eventful
            },
            taken_at: noon
          )
        )
      end

    expect(went).to eq [true, true, false, false, false]
  end

  it "holds an empty hold against the full one" do
    expect(read("empty_hold", 30, maximal_hold_s: 120)).to include "25 % of the maximal hold."
    expect(read("empty_hold", 130, maximal_hold_s: 120)).to include "Take both again"
    expect(read("empty_hold", 30, first_breath: "gasp")).to include "held too long"
  end

  it "reads a sustained exhale: twelve on day one, forty a fine goal; ribs and stream" do
    words = [11, 12, 39, 40].map { |beats| read("sustained_exhale", beats, tempo: 60, width: "yes", steady: "even") }

    expect(words.map { |one| one[/Twelve|Forty/] }).to eq ["Twelve", nil, nil, "Forty"]
    expect(
      read("sustained_exhale", 33, tempo: 66, width: "no", steady: "flickering")
    ).to include "33 beats at 66 a minute, 30 s.", "ribs dropped", "flickered"
  end

  it "reads resting numbers: 95 to 99 % is healthy, 100 adds nothing, over 16 breaths is busy" do
    readings =
      [94, 95, 99, 100].map do |saturation|
        read("resting_numbers", 12, saturation: saturation)[/Under 95 %|100 % adds nothing/]
      end

    expect(readings).to eq ["Under 95 %", nil, nil, "100 % adds nothing"]
    expect([16, 17].map { |breaths| read("resting_numbers", breaths).include?("Busy") }).to eq [false, true]
  end

  it "reads breathing movement by what the discipline wants of it" do
    grades =
      Windlass::Measures
        .kind("breathing_movement")
        .fields
        .to_h { |field| [field.key, field.choices.key?("belly") ? "belly" : field.choices.keys.first] }
    done = Windlass::Measures::BreathingMovement.done(grades)
    words =
      [["singing"], ["freediving"], ["rowing"]].map do |disciplines|
        read("breathing_movement", done, disciplines: disciplines, **grades)
      end

    expect(done).to eq 6
    expect(words.map { |one| one[/For the voice|For a breathe-up/] }).to eq ["For the voice", "For a breathe-up", nil]
    expect(words.first).to start_with "6 of 6 done; the belly leads at rest."
  end

  it "says what changed since the time before" do
    expect(
      read("maximal_hold", 96, earlier: [80, 90], first_breath: "smooth", eventful: "no")
    ).to end_with "6 s more than on 1 March 2026."
    expect(read("resting_numbers", 12, earlier: [12])).to end_with "The same as on 1 March 2026."
  end
end
