# frozen_string_literal: true

RSpec.describe Windlass::Physiology::Recipe do
  it "prepares and holds as it says" do
    recipe =
      described_class.new(
        quiet_s: 60, effort: :vigorous, effort_s: 45, breathe_up_s: 27, deep_breaths: 2, lungs: :full, hold_s: 90
      )
    segments = recipe.compile.segments

    expect(segments.first.to_h).to include(kind: :breathe, ms: 45_000, mets: 8.0)
    expect(segments.count { |segment| segment.kind == :exhale }).to eq 3 + 2
    expect(segments.last(2).map { |segment| [segment.kind, segment.to, segment.ms] }).to eq [
      [:inhale, :full, 4_000],
      [:hold, nil, 90_000]
    ]
  end

  it "holds at the passive level without a move, and empties to residual with one" do
    last_moves =
      %i[passive residual easy].map do |lungs|
        described_class.new(lungs: lungs).compile.segments[-2].then { |one| [one.kind, one.to] }
      end

    expect(last_moves).to eq [[:breathe, nil], %i[exhale residual], %i[inhale easy]]
  end

  describe Windlass::Physiology::MarginMap do
    column = ->(urge, floor) do
      described_class::Column.new(breaths: 0, urge_s: urge, floor_s: floor, margin_s: nil, margin: nil)
    end

    {
      [25, 50] => {
        20 => :before,
        25 => :warned,
        49 => :warned,
        50 => :past,
        80 => :past
      },
      [90, 50] => {
        49 => :before,
        50 => :blind,
        89 => :blind,
        95 => :blind
      },
      [nil, 50] => {
        49 => :before,
        50 => :blind
      },
      [25, nil] => {
        24 => :before,
        200 => :warned
      }
    }.each do |(urge, floor), states|
      it "reads holds against an urge at #{urge.inspect} and a floor at #{floor.inspect}" do
        expect(states.to_h { |hold_s, _| [hold_s, described_class.state(column[urge, floor], hold_s)] }).to eq states
      end
    end

    it "moves the urge far and the floor little with every breath" do
      columns = described_class.columns(model, Windlass::Physiology::Recipe.new)

      expect(columns.map(&:breaths)).to eq described_class::BREATHS
      expect(columns.map(&:urge_s)).to eq columns.map(&:urge_s).sort
      expect(columns.last.urge_s - columns[4].urge_s).to be > 60
      expect(columns.last.floor_s - columns[4].floor_s).to be < 10
      expect([columns.first.margin, columns.last.margin]).to eq %i[clear inverted]
    end
  end

  describe Windlass::Physiology::Body do
    # ECSC/ERS 1993 equations, from memory, worked by hand for a woman of 40 years and 165 cm.
    it "predicts volumes by the equations, young adults as of 25 years" do
      woman = described_class.new(sex: :female, age: 40, height_cm: 165, mass_kg: 60)

      expect([woman.tlc_l, woman.rv_l, woman.frc_l]).to match [
        be_within(0.001).of(5.100),
        be_within(0.001).of(1.627),
        be_within(0.001).of(2.736)
      ]
      young = [18, 25].map { |age| described_class.new(sex: :male, age: age, height_cm: 180, mass_kg: 70).rv_l }
      expect(young.uniq.size).to eq 1
    end

    it "takes a measured vital capacity, lies down to less, and orders its levels" do
      expect(body(vital_capacity_l: 6.0).tlc_l).to eq body.rv_l + 6.0
      expect(body(posture: :lying).frc_l).to be_within(1e-9).of(0.75 * body.frc_l)
      levels = Windlass::Physiology::Levels::ALL.map { |name| body.level_l(name) }
      expect(levels).to eq levels.sort
      expect { body.level_l(:brim) }.to raise_error Windlass::Unknown, /known: residual, passive, easy, big, full/
    end

    it "refuses lungs whose capacity does not exceed their resting volume" do
      expect { body(vital_capacity_l: 1.5) }.to raise_error Windlass::InvalidValue,
        /1.5 is not allowed; allowed: more than 1.58/
    end
  end
end
