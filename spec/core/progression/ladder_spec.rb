# frozen_string_literal: true

# progression.md 1.
RSpec.describe Windlass::Progression::Ladder do
  def rungs(control_pause_s, **options)
    described_class
      .new(small_holds, measures(control_pause_s), **options)
      .rungs
      .map { |dose| dose.values_at(:hold_s, :minutes, :sets) }
  end

  # Worked by hand from the table: sets to 3, minutes to 8, hold to 60 % of 14 s, down to 8; in turns.
  it "steps one lever at a time, in turns, passing over those at their limit" do
    expect(rungs(14)).to eq [[5, 5, 2], [5, 5, 3], [5, 6, 3], [6, 6, 3], [6, 7, 3], [7, 7, 3], [7, 8, 3], [8, 8, 3]]
  end

  it "says what each rung of each family holds, as its plan has it, and nothing above the top" do
    Windlass::Protocols::ALL.each do |protocol|
      ladder =
        described_class.new(
          protocol,
          Windlass::Measures::Values.new(control_pause_s: 25, maximal_hold_s: 150, sustained_exhale_beats: 30)
        )
      held = ladder.rungs.each_index.map { |rung| ladder.hold_seconds(rung) }

      expect([protocol.id, held]).to eq [
        protocol.id,
        ladder.rungs.map { |dose| Rational(protocol.compile(dose).hold_ms, 1000) * protocol.sets(dose) }
      ]
      expect(
        [ladder.hold_seconds(ladder.rungs.size), ladder.rungs.each_index.map { |rung| ladder.hold_seconds(rung) }]
      ).to eq [nil, held]
    end
  end

  it "never holds past 60 % of the control pause, nor past 10 s; past half of one of 10 s or less" do
    tops = [6, 10, 12, 16.6, 17, 40].to_h { |pause| [pause, rungs(pause).last.first] }

    expect(tops).to eq({6 => 3, 10 => 5, 12 => 7, 16.6 => 9, 17 => 10, 40 => 10})
  end

  it "keeps to a coach's tighter limit and ignores a looser one" do
    expect(rungs(40, limits: {hold_s: 6}).last).to eq [6, 8, 3]
    expect(rungs(40, limits: {hold_s: 30})).to eq rungs(40)
  end

  it "is not offered without a measure, and its hold lever is off where the measure is paused" do
    expect(described_class.new(small_holds, measures(nil))).not_to be_offered_at_all
    paused = described_class.new(small_holds, measures(nil, control_pause_paused: true))
    expect(paused.rungs.map { |dose| dose[:hold_s] }.uniq).to eq [3]
  end

  it "names the one change that leads to the next rung" do
    lever, now, later = described_class.new(small_holds, measures(14)).change_after(2)

    expect([lever.key, now, later]).to eq [:hold_s, 5, 6]
  end

  # The ladders that progression.md 1 works out.
  worked = {
    ["co2-table", {maximal_hold_s: 120}, %i[hold_s first_rest_s rounds]] => [
      [60, 120, 6], [60, 110, 6], [65, 110, 6], [65, 110, 7], [65, 100, 7], [70, 100, 7], [70, 100, 8], [70, 90, 8],
      [70, 80, 8], [70, 70, 8], [70, 60, 8]
    ],
    ["hiss-ladder", {}, %i[top_beats tempo]] => [
      [16, 66], [20, 66], [20, 63], [24, 63], [24, 60], [28, 60], [32, 60], [36, 60], [40, 60]
    ],
    ["loaded-holds", {maximal_hold_s: 90}, %i[repetitions hold_s breaths rounds]] => [
      [10, 10, 5, 4], [10, 15, 5, 4], [10, 15, 4, 4], [10, 15, 4, 5], [12, 15, 4, 5], [12, 20, 4, 5], [12, 20, 3, 5],
      [12, 20, 3, 6], [14, 20, 3, 6], [14, 20, 3, 7], [16, 20, 3, 7], [16, 20, 3, 8]
    ],
    # By hand from the table: counts 4, 5, 6 in proportion; tenths of a second stay tenths.
    ["ratio", {}, %i[pattern rounds]] => [
      [[4, 2, 4, 2], 6],
      [[4, 2, 4, 2], 7],
      [[5, 2, 5, 2], 7],
      [[5, 2, 5, 2], 8],
      [[6, 3, 6, 3], 8],
      [[6, 3, 6, 3], 9],
      [[6, 3, 6, 3], 10],
      [[6, 3, 6, 3], 11],
      [[6, 3, 6, 3], 12]
    ],
    ["ratio-deep", {}, %i[rounds count_s]] => [
      [5, 0.8], [6, 0.8], [6, 0.9], [7, 0.9], [7, 1], [8, 1], [8, 1.1], [9, 1.1], [9, 1.2]
    ]
  }

  worked.each do |(id, values, keys), rungs|
    it "climbs #{id} as worked out by hand" do
      ladder = described_class.new(Windlass::Protocols.find(id), measures(**values))
      expect(ladder.rungs.map { |dose| dose.values_at(*keys) }).to eq rungs
    end
  end

  it "ends the nostril stages before the locks, unless the coach switches them on and the screening leaves them open" do
    nostril = Windlass::Protocols.find("alternate-nostril")
    tops =
      {[] => {}, [:locks] => {locks: true}}.values.flat_map do |limits|
        [[], %i[glaucoma_hernia], %i[pregnancy]].map do |conditions|
          screen = Windlass::Screening::Screen.new(answered_on: Builders::MONDAY, age: 30, conditions: conditions)
          guard = Windlass::Progression::ScreenGuard.new(screen: screen, on: Builders::MONDAY, maximal_hold_s: nil)
          described_class.new(nostril, measures, limits: limits, guards: [guard]).rungs.last[:stage]
        end
      end

    expect(tops).to eq [4, 4, 3, 8, 4, 3]
  end

  it "lets single cycles have more rounds, keeps to a coach's limit there, and never steps where they would be too " \
    "many" do
    nostril = Windlass::Protocols.find("alternate-nostril")
    ladder = ->(from, **limits) do
      described_class.new(nostril, measures, limits: limits, from: {stage: 0, count_s: 1, form: "warming", **from})
    end

    expect(ladder[{cycles: 1, rounds: 9}].rungs.map { |dose| dose.values_at(:cycles, :rounds) }.uniq).to eq [
      [1, 9],
      [1, 10],
      [1, 11],
      [1, 12]
    ]
    expect(
      ladder[{cycles: 2, rounds: 9}].passed
    ).to eq "9 rounds pass the limit of 4 rounds, 12 where each is a single cycle"
    expect(ladder[{cycles: 1, rounds: 9}, rounds: 8].passed).to start_with "9 rounds pass the limit of 8 rounds"
    expect(ladder[{cycles: 1, rounds: 3}].rungs.last.values_at(:cycles, :rounds)).to eq [3, 4]
  end

  it "holds no longer than half of the best at 16 and 17" do
    screen =
      Windlass::Screening::Screen.new(answered_on: Builders::MONDAY, age: 16, guardian_consent_on: Builders::MONDAY)
    guard = Windlass::Progression::ScreenGuard.new(screen: screen, on: Builders::MONDAY, maximal_hold_s: 120)
    tops =
      %w[co2-table o2-table counted-recovery].map do |id|
        described_class.new(Windlass::Protocols.find(id), measures(maximal_hold_s: 120), guards: [guard]).rungs.last
      end

    expect([tops[0][:hold_s], tops[1], tops[2][:hold_s]]).to eq [60, nil, 60]
  end

  describe Windlass::Progression::Outlook do
    def ladder(id, maximal_hold_s, **outlook)
      Windlass::Progression::Ladder.new(
        Windlass::Protocols.find(id),
        measures(maximal_hold_s: maximal_hold_s),
        outlook: described_class.new(body, **outlook)
      )
    end

    it "cuts a rung and all above it where a forecast hold falls under 75 %, and says so" do
      cut = ladder("loaded-holds", 90)
      whole = Windlass::Progression::Ladder.new(cut.protocol, measures(maximal_hold_s: 90))
      lows = whole.rungs.map { |dose| described_class.new(body).lowest_saturation(cut.protocol, dose) }

      expect(cut.rungs.size).to eq lows.index { |low| low < 0.75 }
      expect(cut.cut).to eq "The gas model forecasts oxygen under 75 % in a hold."
    end

    # Old, small and heavy: little gas in the lungs for much use of it.
    frail =
      [[:female, 85, 148, 110], [:male, 80, 160, 150], [:female, 70, 150, 90]].map do |sex, age, height_cm, mass_kg|
        Windlass::Physiology::Body.new(sex: sex, age: age, height_cm: height_cm, mass_kg: mass_kg)
      end

    # Without the short cut: every rung asked about by itself.
    it "cuts and cares as if every rung were asked about, whoever it is, in every family" do
      bodies = [
        body,
        body(posture: :seated, mass_kg: 110, age: 60),
        body(sex: :female, height_cm: 160, mass_kg: 52),
        *frail
      ]
      bodies
        .zip([60, 90, 180, 240, 120, 75])
        .each do |one, seconds|
          Windlass::Protocols::ALL.each do |protocol|
            outlook = described_class.new(one)
            whole = Windlass::Progression::Ladder.new(protocol, measures(25, maximal_hold_s: seconds))
            cut = Windlass::Progression::Ladder.new(protocol, measures(25, maximal_hold_s: seconds), outlook: outlook)
            doses = whole.rungs.map { |dose| outlook.fitted(protocol, dose) }
            kept = doses.take_while { |dose| outlook.objection(protocol, dose).nil? }

            expect([protocol.id, cut.rungs.map { |dose| dose.except(*protocol.computed) }]).to eq [
              protocol.id,
              kept.map { |dose| dose.except(*protocol.computed) }
            ]
            expect((0..cut.top).map { |rung| cut.care?(rung) }).to eq(kept.map { |dose| outlook.care?(protocol, dose) })
          end
        end
    end

    it "asks of deep-breath rounds without a model less than any model would allow" do
      protocol = Windlass::Protocols.find("deep-rounds")
      caps =
        frail.flat_map do |body|
          [20, 30].map { |breaths| protocol.fitted(protocol.start(measures).merge(breaths: breaths), body)[:cap_s] }
        end

      expect(protocol.compile(protocol.start(measures)).holds.first.segment.seconds).to be < caps.min
    end

    it "warns about dry full holds that the athlete has shown, and cuts them otherwise" do
      shown, unknown = ladder("o2-table", 240, shown_s: 192), ladder("o2-table", 240)

      expect([shown.rungs.last[:top_hold_s], shown.care?(shown.top), shown.care?(0)]).to eq [190, true, false]
      expect(unknown.rungs.map { |dose| dose[:top_hold_s] }.max).to be_between(145, 185)
      expect(ladder("loaded-holds", 90, shown_s: 90).cut).not_to be_nil
    end
  end

  describe Windlass::Progression::Standing do
    def standing_with(control_pause_s, dose) = described_class.of(small_holds, measures(control_pause_s), dose: dose)

    it "stands after a new measure on the highest rung that is no harder than the dose they had" do
      had = {hold_s: 8, minutes: 8, sets: 3}

      expect(standing_with(40, had).dose).to eq had
      expect(standing_with(11, had).dose).to eq({hold_s: 6, minutes: 8, sets: 3})
    end

    it "keeps a dose that is easier than the new start as the lowest rung" do
      standing = standing_with(40, {hold_s: 3, minutes: 5, sets: 2})

      expect([standing.rung, standing.dose[:hold_s]]).to eq [0, 3]
      expect(standing.ladder.rungs[1]).to eq({hold_s: 3, minutes: 5, sets: 3})
    end

    it "keeps a reduced dose half of what it was half of" do
      standing =
        described_class.of(small_holds, measures(40), dose: {hold_s: 3, minutes: 2.5, sets: 3}, reduced: true)

      expect([standing.dose, standing.ladder.rungs.first]).to eq [
        {hold_s: 3, minutes: 2.5, sets: 3},
        {hold_s: 3, minutes: 5, sets: 3}
      ]
    end

    it "falls to the new lowest rung where the dose they had passes a new limit" do
      expect(standing_with(6, {hold_s: 5, minutes: 4, sets: 2}).dose).to eq({hold_s: 3, minutes: 5, sets: 2})
    end
  end
end
