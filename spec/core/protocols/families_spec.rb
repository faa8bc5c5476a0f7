# frozen_string_literal: true

# Handbook 4 and progression.md 1. Common practice, no published source; worked by hand from the tables.
RSpec.describe "The families" do
  athlete = Windlass::Measures::Values.new(control_pause_s: 25, maximal_hold_s: 120)

  define_method(:compiled) do |id, **changes|
    protocol = Windlass::Protocols.find(id)
    protocol.compile(protocol.start(athlete).merge(changes))
  end

  def holds(...) = compiled(...).holds.map { |place| place.segment.seconds }

  # From the end of a hold to the start of the next, as a stopwatch sees it.
  def rests(...)
    compiled(...).holds.each_cons(2).map { |one, two| (two.start_ms - one.end_ms)/1000r }
  end

  def sounds(line) = line.segments.map { |segment| segment.sound || segment.kind }

  describe "carbon-dioxide table" do
    it "holds half of the best, rests 2:00 before the first, 15 s less every round, and stops at the floor" do
      line = compiled("co2-table", rounds: 9)

      expect(line.holds.first.start_ms).to eq 120_000
      expect(line.holds.map { |place| place.segment.seconds }.uniq).to eq [60]
      expect(rests("co2-table", rounds: 9)).to eq [105, 90, 75, 60, 45, 30, 30, 30]
    end

    it "breathes naturally in the rests" do
      expect(compiled("co2-table").segments.select(&:rest?).map(&:rate).uniq).to eq [12]
    end
  end

  describe "oxygen table" do
    it "grows in even steps to the nearest second and ends on the top exactly" do
      expect(holds("o2-table")).to eq [45, 50, 55, 60, 65, 70]
      expect(holds("o2-table", first_hold_s: 40, top_hold_s: 95, rounds: 7)).to eq [40, 49, 58, 68, 77, 86, 95]
      expect(rests("o2-table").uniq).to eq [120]
    end
  end

  it "counts the recovery: so many breaths between two holds, their length only expected" do
    counted = compiled("counted-recovery", breaths: 3).segments.select(&:breaths)

    expect(counted.map(&:breaths)).to eq [3] * 5
    expect(counted).to all(be_open)
  end

  it "loads a hold: ten press-ups at 8 METs, a plank, then counted breaths" do
    round = compiled("loaded-holds").segments.select { |segment| segment.round == 2 }

    expect(round.map { |segment| [segment.kind, segment.mets, segment.repetitions || segment.breaths] }).to eq [
      [:breathe, 8.0, 10], [:inhale, 3.8, nil], [:hold, 3.8, nil], [:exhale, 1.0, nil], [:breathe, 1.0, 5]
    ]
  end

  it "breathes up 1:2 for two minutes, takes one medium breath, and recovers, breathe-up and all, twice the hold " \
    "and three minutes at least" do
    line = compiled("single-hold", holds: 2)
    up = line.segments.take_while { |segment| segment.to != :big }

    expect(up.sum(&:ms)).to eq 120_000
    expect(up.each_slice(2)).to all(satisfy { |breath_in, out| (out.ms - 2 * breath_in.ms).abs <= 2 })
    expect(
      [
        {holds: 3},
        {holds: 2, hold_s: 120},
        {holds: 2, hold_s: 60, rest_s: 120},
        {holds: 3, breaks: [{round: 3, rest_s: 60}]}
      ].map { |dose| rests("single-hold", **dose) }
    ).to eq [[180, 180], [240], [120], [180, 140]]
  end

  it "keeps the washout of a breathe-up, its medium breath counted, under 3 mmHg" do
    model = Windlass::Physiology::Model.new(body, control_pause_s: 25)
    washouts =
      [60, 120, 300].map do |seconds|
        model.forecast(compiled("single-hold", breathe_up_s: seconds).segments).holds.first.co2_washout
      end

    expect(washouts).to all(be < 3)
  end

  it "fills in stages, belly first" do
    expect(
      compiled("full-breath", breaths: 1).segments.select { |segment| segment.kind == :inhale }.last(3).map(&:to)
    ).to eq %i[easy big full]
  end

  # Handbook 7: nine rounds of 4:16:8 last 252 s at one second a count.
  it "sums to the whole: nine rounds of 4:16:8 are 252 s, and thirds of a second lose nothing" do
    expect(compiled("ratio-deep", count_s: 1, rounds: 9).total_ms).to eq 252_000
    expect(compiled("ratio-deep", count_s: 1 / 3r, rounds: 9).total_ms).to eq 84_000
    expect(compiled("ratio", pattern: [1, 0, 2, 0]).segments.map(&:kind).uniq).to eq %i[inhale exhale]
  end

  it "is retention where a hold is longer than the breath in" do
    ratio = Windlass::Protocols.find("ratio")

    expect(
      [[4, 4, 8, 0], [4, 5, 8, 0], [4, 2, 4, 6]].map { |pattern| ratio.columns({pattern: pattern, count_s: 1}) }
    ).to eq [[:breath], [:retention], [:retention]]
  end

  describe "alternate nostril" do
    def routes(**changes) =
      compiled("alternate-nostril", cycles: 1, rounds: 1, **changes).segments.map do |segment|
        [segment.kind, segment.route]
      end

    it "goes out left, in left, out right, in right, out left, and takes a restoring breath; or the mirror of it" do
      left = [%i[exhale left], %i[inhale left], %i[exhale right], %i[inhale right], %i[exhale left], %i[breathe both]]
      mirror = {left: :right, right: :left, both: :both}

      expect(routes).to eq left
      expect(routes(form: "right")).to eq(left.map { |kind, route| [kind, mirror[route]] })
      expect(routes(form: "warming")).to eq [%i[exhale left], %i[inhale right], %i[exhale left], %i[breathe both]]
    end

    it "restores after every cycle, and builds up: narrowing, retention, locks" do
      stages = (0..8).map { |stage| compiled("alternate-nostril", stage: stage) }

      expect(stages.map { |line| line.segments.count { |segment| segment.kind == :breathe } }).to eq [4] * 9
      expect(stages.map { |line| line.segments.count(&:narrowed) }).to eq [0, 8, 8, 16, 0, 0, 0, 0, 0]
      expect(stages.map { |line| line.holds.size }).to eq [0, 0, 0, 0, 8, 8, 8, 8, 16]
      expect(stages.map { |line| line.holds.flat_map { |place| place.segment.locks.to_a }.uniq.sort }).to eq [
        [],
        [],
        [],
        [],
        [],
        [:root],
        [],
        [:abdominal],
        %i[abdominal root throat]
      ]
    end

    it "asks the screening for retention and for locks only where there are some" do
      columns =
        [3, 4, 5].map { |stage| Windlass::Protocols.find("alternate-nostril").columns({stage: stage, count_s: 1}) }

      expect(columns).to eq [%i[breath], %i[retention], %i[retention locks]]
    end
  end

  describe "deep-breath rounds" do
    protocol = Windlass::Protocols.find("deep-rounds")
    dose = protocol.start(athlete).merge(breaths: 30, rounds: 3)

    it "ends the empty hold at the urge, at its cap at the latest, and lasts about 15 min with 30 breaths in three " \
      "rounds" do
      line = protocol.compile(protocol.fitted(dose, body))

      expect(line.holds.map { |place| place.segment.until }).to eq [:cap, nil] * 3
      expect(line.total_ms / 60_000.0).to be_within(1.5).of(15)
    end

    it "holds on one full breath in the other form, capped too" do
      full = protocol.fitted(dose.merge(retention: "full", cap_s: nil), body)
      line = protocol.compile(full)
      lying = Windlass::Physiology::Model.new(body(posture: :lying)).forecast(line.segments)

      expect(line.holds.map { |place| [place.segment.until, place.segment.seconds] }).to eq [[:cap, full[:cap_s]]] * 3
      expect(line.segments.each_cons(2).select { |_, hold| hold.hold? }.map { |before, _| before.level }).to eq [
        :full
      ] * 3
      expect(full[:cap_s]).to eq [90, (0.9 * lying.holds.map { |hold| hold.floor_s || 600 }.min).floor].min
      expect(
        protocol.in_words(full)
      ).to eq "3 rounds of 30 breaths, hold full to the urge, #{Windlass::Words.seconds(full[:cap_s])} at most"
    end

    it "carries the model's cap: under every floor of its own rounds, whole seconds, never raised by a dose" do
      cap_s = protocol.fitted(dose, body)[:cap_s]
      lying = Windlass::Physiology::Model.new(body(posture: :lying))
      floors =
        lying
          .forecast(protocol.compile(dose.merge(cap_s: cap_s)).segments)
          .holds
          .each_slice(2)
          .map { |empty, _| empty.floor_s }

      expect(cap_s).to be_an(Integer).and be < 0.9 * floors.min
      expect(protocol.fitted(dose.merge(cap_s: 80), body)[:cap_s]).to eq cap_s
      expect(protocol.fitted(dose.merge(cap_s: 12), body)[:cap_s]).to eq 12
    end
  end

  it "changes gear: 20 s each at a breath in 1.5, 0.75 and 0.5 s, then a full hold" do
    gears =
      compiled("bellows", gear_s: 20, rounds: 1)
        .segments
        .select { |segment| segment.cue.include?("gear") }
        .group_by { |segment| segment.cue[/\w+ gear/] }

    expect(gears.values.map { |part| [part.sum(&:ms), part.size / 2] }).to eq [[20_000, 13], [20_000, 27], [20_000, 40]]
    expect(gears.values.flatten.map(&:to).uniq).to eq %i[easy passive]
  end

  it "climbs the hiss ladder in fours, each rung twice, on the beat, and lets go between" do
    line = compiled("hiss-ladder", top_beats: 20, tempo: 60)
    hisses = line.segments.select { |segment| segment.sound == :hiss }

    expect(hisses.map(&:beats)).to eq [8, 8, 12, 12, 16, 16, 20, 20]
    expect(hisses.map(&:seconds)).to eq [8, 8, 12, 12, 16, 16, 20, 20]
    expect(line.segments.each_slice(4).map { |round| round.map(&:kind) }.uniq).to eq [%i[inhale hold exhale breathe]]
    expect(compiled("hiss-ladder", tempo: 66).total_ms).to eq(((6 * 12 + 72) * 60_000 / 66.0).round)
  end

  it "doses the hiss ladder from the sustained exhale: eight tenths, down to a multiple of four, 8 to 16" do
    protocol = Windlass::Protocols.find("hiss-ladder")
    tops = [4, 12, 14, 19, 40, nil].map { |beats| protocol.start(measures(sustained_exhale_beats: beats))[:top_beats] }

    expect(tops).to eq [8, 8, 8, 12, 16, 16]
  end

  it "stacks inhales, stages the exhale in 8 s, holds empty 2, 4, 6 s, sings the same, and releases without a hold" do
    line = compiled("stacked-exhale")
    first = line.segments.select { |segment| segment.round == 1 }

    expect(sounds(Windlass::Timeline::Compiled.new(first))).to eq %i[inhale inhale blow hiss shush shush hold breathe]
    in_two, out_in_four = %i[inhale exhale].map { |kind| first.select { |segment| segment.kind == kind }.map(&:depth) }
    expect(in_two.first * 2).to be_within(0.002).of(in_two.last)
    expect(out_in_four).to match([0.75, 0.5, 0.25, 0].map { |left| be_within(0.001).of(left * in_two.last) })
    expect(first.select(&:sound).sum(&:ms)).to eq 8000
    expect(holds("stacked-exhale")).to eq [2, 4, 6, 2, 4, 6]
    expect(sounds(line).last(6)).to eq %i[inhale inhale inhale inhale note breathe]
  end

  it "lets own-pace suspensions end at comfort, fills its minutes exactly, and owes no rounds" do
    line = compiled("own-pace", minutes: 4)

    expect(line.total_ms).to eq 240_000
    expect([line.own_pace?, line.holds.map { |place| place.segment.until }.uniq]).to eq [true, [:comfort]]
  end

  it "says every dose in words that begin a line" do
    words = Windlass::Protocols::ALL.to_h { |protocol| [protocol.id, protocol.in_words(protocol.start(athlete))] }

    expect(words.values).to all(match(/\A\d/))
    expect(words).to include(
      "hiss-ladder" => "8 to 16 beats of hiss, each twice, 66 beats a minute",
      "stacked-exhale" => "2 to 6 s of empty hold, blown and sung, once through",
      "ratio" => "6 rounds of 4 : 2 : 4 : 2, 1 s a count",
      "loaded-holds" => "4 rounds: 10 press-ups, hold 10 s, 5 breaths"
    )
    expect(
      Windlass::Protocols.find("hiss-ladder").in_words({top_beats: 8, tempo: 60})
    ).to start_with "8 beats of hiss"
  end

  it "needs what it doses from, and says what it is" do
    lacking =
      {
        "co2-table" => measures(maximal_hold_s: 39),
        "ratio-deep" => measures(19),
        "deep-rounds" => measures(nil),
        "full-breath" => measures(nil)
      }.map { |id, values| Windlass::Protocols.find(id).lacking(values) }

    expect(lacking).to eq [
      "Carbon-dioxide table needs a maximal hold of 40 s or more; it is 39 s.",
      "Ratio breathing, long retention needs a valid control pause of 20 s or more; it is 19 s.",
      "Deep-breath rounds needs a valid control pause first.",
      nil
    ]
  end

  describe Windlass::Timeline::Breaks do
    it "breaks single rounds: the hold, and the whole rest by the stopwatch" do
      breaks = [{round: 2, hold_s: 40, rest_s: 100}, {round: 99, hold_s: 1}]

      expect(holds("co2-table", breaks: breaks)).to eq [60, 40, 60, 60, 60, 60]
      expect(rests("co2-table", breaks: breaks)).to eq [100, 90, 75, 60, 45]
    end

    it "refuses what is no break, with the place" do
      expect(described_class.faults([{round: 0, hold_s: 900}, 3])).to eq [
        "breaks[0].round: 0 is not allowed; allowed: the number of a round",
        "breaks[0].hold_s: 900 is not allowed; allowed: 1 to 600 s",
        "breaks[1]: 3 is not allowed; allowed: round, hold_s, rest_s"
      ]
    end
  end
end
