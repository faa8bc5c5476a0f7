# frozen_string_literal: true

# How deep paced breaths are.
RSpec.describe Windlass::Timeline::Depths do
  bodies =
    [
      [:male, 30, 178, 75], [:female, 30, 165, 60], [:female, 61, 163, 97], [:male, 61, 177, 97], [:male, 24, 190, 80]
    ].map do |sex, age, height_cm, mass_kg|
      Windlass::Physiology::Body.new(sex: sex, age: age, height_cm: height_cm, mass_kg: mass_kg)
    end
  paced = Windlass::Protocols::ALL.select(&:paced)
  known = Windlass::Measures::Values.new(control_pause_s: 25, maximal_hold_s: 120)

  # Litres a minute that reach the alveoli: each breath less the dead space.
  def ventilation(compiled, body)
    breaths =
      compiled
        .segments
        .select { |one| one.kind == :inhale }
        .map { |one| body.level_l(one.level) - body.level_l(:passive) - body.dead_space_l }
    breaths.sum / (compiled.total_ms / 60_000.0)
  end

  # The alveolar ventilation equation: VA = 863 VCO2 / PACO2 (West, Respiratory Physiology; from memory).
  it "breathes as much as keeps carbon dioxide at 40 mmHg, whoever it is" do
    quiet = Windlass::Protocols.find("quiet-breathing")
    bodies.each do |body|
      carbon_dioxide_l_min = 0.82 * body.vo2_l_min
      expect(ventilation(quiet.compile(quiet.start(known), body), body)).to be_within(0.5).percent_of(
        863 * carbon_dioxide_l_min / 40
      )
    end
  end

  it "brings the model to about 40 mmHg, and washes out less than over-breathing would, in every paced family" do
    quiet = Windlass::Protocols.find("quiet-breathing")
    bodies.each do |body|
      trace =
        Windlass::Physiology::Model
          .new(body)
          .forecast(quiet.compile(quiet.start(known), body).segments, trace: true)
          .trace
      expect((60..300).map { |second| trace.at(second).pco2 }.sum / 241).to be_within(1).of(40)
      ends =
        paced.flat_map do |protocol|
          Windlass::Progression::Ladder.new(protocol, known).rungs.values_at(0, -1).map { |dose| [protocol, dose] }
        end
      outlook = Windlass::Progression::Outlook.new(body)
      expect(ends.map { |protocol, dose| outlook.strongest_washout(protocol, dose) }).to all(
        be < Windlass::Physiology::OVER_BREATHED_MMHG
      )
    end
  end

  it "changes depths and nothing else, and only of breaths in" do
    ratio = Windlass::Protocols.find("ratio")
    dose = ratio.start(known)
    light, heavy = bodies.values_at(4, 2).map { |body| ratio.compile(dose, body).segments }

    expect(light.map { |one| one.with(depth: nil) }).to eq(heavy.map { |one| one.with(depth: nil) })
    expect(light.reject { |one| one.kind == :inhale }.map(&:depth)).to all(be_nil)
    expect([light, heavy].map { |segments| segments.filter_map(&:depth).uniq }).to match [[be < 0.3], [be > 0.5]]
  end

  it "goes through JSON unchanged, and is bounded by what lungs hold" do
    ratio = Windlass::Protocols.find("ratio")
    slow = ratio.compile({pattern: [16, 0, 32, 0], count_s: 2, rounds: 1}, bodies[2]).segments

    expect(
      slow.map { |one| Windlass::Timeline::Segment.from_h_plain(JSON.parse(JSON.generate(one.to_h_plain))) }
    ).to eq slow
    expect([slow.first.level, slow.last.level]).to eq [0.95, :passive]
  end

  it "leaves alone what says itself how deep it is" do
    rest = Windlass::Protocols::ALL - paced - %w[single-hold full-breath].map { |id| Windlass::Protocols.find(id) }
    doses = rest.to_h { |protocol| [protocol, protocol.start(known)] }

    expect(doses.map { |protocol, dose| protocol.compile(dose, bodies[2]).segments }).to eq(
      doses.map { |protocol, dose| protocol.compile(dose).segments }
    )
  end
end
