# frozen_string_literal: true

RSpec.describe Windlass::Physiology do
  describe Windlass::Physiology::DeadSpace do
    let(:lungs) { subject_at_rest.exchange }
    let(:dead_space) { described_class.new(0.15, lungs) }

    it "gives lung gas back first, and is empty after its own volume" do
      share = dead_space.air

      expect(share.co2).to be_within(1e-9).of(lungs.co2 / lungs.volume)
      dead_space.draw(0.1)
      expect(dead_space.volume).to be_within(1e-9).of(0.05)
      expect(dead_space.air.co2).to be_within(1e-9).of(share.co2)
      dead_space.draw(0.05)
      expect(dead_space).to be_empty
    end

    it "adds a breath out smaller than itself to what is there, up to its own volume" do
      dead_space.draw(0.15)
      dead_space.fill(lungs, 0.1)
      expect(dead_space.volume).to be_within(1e-9).of(0.1)
      dead_space.fill(lungs, 0.1)
      expect(dead_space.volume).to be_within(1e-9).of(0.15)
      dead_space.fill(lungs, 5)
      expect(dead_space.volume).to be_within(1e-9).of(0.15)
    end

    it "makes shallow breaths useless: what only moves the dead space leaves carbon dioxide where it would be" do
      shallow, none = Array.new(2) { subject_at_rest }
      12.times do
        shallow.move(1, shallow.volume + 0.9 * body.dead_space_l)
        shallow.move(1, body.frc_l)
      end
      none.hold(24)

      expect(shallow.pco2).to be_within(0.8).of(none.pco2)
    end
  end

  describe Windlass::Physiology::NaturalBreathing do
    def depth(pco2, rate: 12, after_s: 60)
      breathing = described_class.new(body)
      breathing.next_breath_l(0.0, 40.0, 1.0, rate)
      breathing.next_breath_l(after_s.to_f, pco2, 1.0, rate)
    end

    it "breathes as much at rest as keeps carbon dioxide at 40" do
      expect(depth(40) * 12).to be_within(1e-6).of(body.resting_ventilation_l_min + 12 * body.dead_space_l)
      expect(depth(40, rate: 6) * 6).to be_within(1e-6).of(body.resting_ventilation_l_min + 6 * body.dead_space_l)
    end

    it "breathes deeper after a hold, with a lag, shallower after over-breathing, and never beyond its limits" do
      expect(depth(50)).to be > depth(45)
      expect(depth(50, after_s: 5)).to be < depth(50, after_s: 60)
      expect(depth(20)).to be_within(1e-9).of(0.3 * body.resting_ventilation_l_min / 12 + body.dead_space_l)
      expect(depth(120)).to eq body.largest_breath_l
    end
  end

  describe "effort" do
    it "follows with a time constant of thirty seconds, and raises carbon dioxide and breathing together" do
      subject = subject_at_rest
      subject.breathe(30, 20, 5.0)

      expect(subject.exchange.metabolic_rate).to be_within(0.02).of(1 + 4 * (1 - Math.exp(-1)))
      before = subject.exchange.metabolic_rate
      subject.breathe(30, 12, 1.0)
      expect(subject.exchange.metabolic_rate).to be_within(0.02).of(1 + (before - 1) * Math.exp(-1))
    end

    it "brings both the urge and the floor nearer" do
      rested, worked =
        [1.0, 8.0].map do |mets|
          last_hold do |line|
            line.breathe(60, rate: 24, mets: mets)
            line.inhale(2, to: :full)
            line.hold(10)
          end
        end

      expect(worked.urge_s).to be < rested.urge_s - 20
      expect(worked.floor_s).to be < rested.floor_s - 30
    end
  end

  describe "posture, air and thrift" do
    it "give less time lying and at altitude, and more to the thrifty" do
      floor = ->(changes) { last_hold(model(body(**changes))) { |line| line.hold(10) }.floor_s }

      expect(floor[{posture: :lying}]).to be < floor[{}]
      expect(floor[{barometric_mmhg: 640}]).to be < floor[{}]
      expect(floor[{thrift: 0.7}]).to be > floor[{}]
      expect(floor[{haemoglobin_g_l: 170}]).to be > floor[{haemoglobin_g_l: 110}]
    end
  end

  describe Windlass::Physiology::Margin do
    it "is clear from twenty seconds, tight down to nothing, inverted below" do
      {20.0 => :clear, 19.9 => :tight, 0.0 => :tight, -0.1 => :inverted, nil => nil}.each do |seconds, kind|
        expect([seconds, described_class.classify(seconds)]).to eq [seconds, kind]
      end
      expect(described_class.classify(90.0, trusted: false)).to eq :inverted
      expect(
        [described_class.seconds(nil, 40), described_class.seconds(30, nil), described_class.seconds(30, 45)]
      ).to eq [nil, nil, 15]
    end
  end

  describe Windlass::Physiology::Trace do
    it "runs amounts, not pressures, on a straight line between two steps" do
      samples = [[0.0, 0.4, 0.2, 2.4], [2.0, 0.8, 0.2, 5.0]].map { |values| described_class::Sample.new(*values) }
      trace = described_class.new(samples, 713.0)

      expect(trace.at(1.0)).to have_attributes(
        volume: be_within(1e-9).of(4.5),
        po2: be_within(1e-9).of(0.6 / 4.5 * 713),
        pco2: be_within(1e-9).of(0.2 / 4.5 * 713)
      )
      expect([trace.at(-1).t, trace.at(9).t, trace.every(0.5).map(&:t)]).to eq [0.0, 2.0, [0.0, 0.5, 1.0, 1.5, 2.0]]
    end
  end

  it "notes the floor at the very moment that saturation is as low as that, the start included" do
    at = ->(saturation) { Struct.new(:elapsed_s, :urge_stimulus, :saturation, :po2).new(3.0, 40.0, saturation, 60.0) }
    floors =
      [0.85, 0.8500001].map do |saturation|
        Windlass::Physiology::HoldWatch.new(at[saturation], threshold: nil, floor: 0.85).floor_s
      end

    expect(floors).to eq [0.0, nil]
  end
end
