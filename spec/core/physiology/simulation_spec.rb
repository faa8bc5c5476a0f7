# frozen_string_literal: true

RSpec.describe Windlass::Physiology::Simulation do
  it "keeps all gas: what the lungs lose in a hold the blood has taken, and nitrogen stays" do
    subject = subject_at_rest
    state = subject.exchange
    before = state.dup
    subject.hold(40)

    used = body.vo2_l_min * 40 / 60
    gained = (state.venous_o2 - before.venous_o2) * body.venous_blood_l
    expect((before.o2 - state.o2) / body.btps).to be_within(1e-6).of(used + gained)
    expect(state.n2).to eq before.n2
    made = 0.82 * used
    stored =
      (state.fast_pco2 - before.fast_pco2) * body.fast_tissue_l_mmhg +
      (state.slow_pco2 - before.slow_pco2) * body.slow_tissue_l_mmhg
    expect((state.co2 - before.co2) / body.btps).to be_within(1e-6).of(made - stored)
  end

  it "does not depend on its step: halving it moves no pressure by more than 0.2 mmHg" do
    session =
      timeline do |line|
        line.breathe(60, rate: 12)
        line.inhale(3, to: :full)
        line.hold(60)
        line.exhale(5, to: :residual)
        over_breathe(line, 15)
        line.hold(45)
        line.breathe(30, rate: 18, mets: 4)
      end
    coarse, fine =
      [1.0, 0.5].map do |scale|
        rested = subject_at_rest(body, step_scale: scale)
        calibration = Windlass::Physiology::Calibration.from(rested, control_pause_s: 25)
        described_class.new(rested, calibration: calibration).run(session.segments, trace: true).trace.every(1)
      end

    coarse
      .zip(fine)
      .each do |one, other|
        expect([one.po2, one.pco2]).to match [be_within(0.2).of(other.po2), be_within(0.2).of(other.pco2)]
      end
  end

  it "never brings the urge earlier by breathing more, nor the floor earlier by a bigger lung" do
    urges =
      [0, 3, 6, 12, 24, 40].map do |breaths|
        last_hold do |line|
          over_breathe(line, breaths)
          line.hold(20)
        end.urge_s
      end
    floors =
      [4.8, 5.4, 6.2, 7.0].map do |vital_capacity_l|
        last_hold(model(body(vital_capacity_l: vital_capacity_l))) do |line|
          line.inhale(4, to: :full)
          line.hold(20)
        end.floor_s
      end

    expect(urges).to eq urges.sort
    expect(floors).to eq floors.sort
  end

  it "finds the urge and the floor beyond the planned end without moving what comes after" do
    short =
      timeline do |line|
        line.hold(5)
        line.breathe(60)
      end
    forecast = model.forecast(short.segments, trace: true)

    expect(forecast.holds.first.to_h).to include(urge_s: be_within(0.1).of(25), floor_s: be_within(0.1).of(52.6))
    expect(forecast.trace.end_s).to be_within(1e-6).of(65)
    expect(forecast.end_state.pco2).to be_within(2).of(40)
  end

  it "says nothing of the urge without a control pause, and 0 where it has passed already" do
    uncalibrated = Windlass::Physiology::Model.new(body, control_pause_s: nil)
    hold = last_hold(uncalibrated) { |line| line.hold(30) }
    expect(hold.to_h.values_at(:urge_s, :margin_s, :margin)).to eq [nil, nil, nil]

    second =
      last_hold do |line|
        line.hold(40)
        line.hold(5)
      end
    expect(second.to_h).to include(urge_s: 0)
  end

  it "takes the second threshold for holds that start above the big level, and only there" do
    taught = model(body, full_threshold: 58)
    full =
      last_hold(taught) do |line|
        line.inhale(4, to: :full)
        line.hold(60)
      end
    empty = last_hold(taught) { |line| line.hold(20) }

    expect(full.urge_s).to be > 90
    expect(empty.urge_s).to be_within(0.1).of(25)
  end

  it "counts a margin as inverted where the control pause itself passes the floor, until an oximeter low is known" do
    margins =
      [false, true].map do |logged|
        long = Windlass::Physiology::Model.new(body, control_pause_s: 55, oximeter_logged: logged)
        last_hold(long) do |line|
          line.inhale(4, to: :full)
          line.hold(60)
        end.margin
      end

    expect(margins).to eq %i[inverted tight]
  end

  it "stays a number however long somebody holds" do
    hold =
      last_hold do |line|
        line.hold(3600)
        line.breathe(60)
      end

    expect([hold.po2_end, hold.sao2_min, hold.pco2_end]).to all(be_between(0, 100))
  end

  describe Windlass::Physiology::Cap do
    def before(breaths) = timeline { |line| over_breathe(line, breaths) }.segments

    it "is nine tenths of the floor, lying and from residual; longer where the athlete exhales passively; 90 s at " \
      "most" do
      lying = Windlass::Physiology::Body.new(sex: :male, age: 30, height_cm: 178, mass_kg: 75, posture: :lying)
      emptied = before(30)[0..-2] + [Windlass::Timeline::Segment.new(kind: :exhale, ms: 1_600, to: :residual)]
      floor =
        model(lying).forecast([*emptied, Windlass::Timeline::Segment.new(kind: :hold, ms: 1_000)]).holds.last.floor_s

      expect(described_class.seconds(body, before(30))).to be_within(0.2).of(0.9 * floor)
      expect(described_class.seconds(body(thrift: 0.6), before(30))).to eq described_class.seconds(body, before(30))
      expect(described_class.seconds(body, before(30), exhales_passively: true)).to be > 0.9 * floor
      full = timeline { |line| line.inhale(4, to: :full) }.segments
      expect(described_class.seconds(body, full)).to eq 90
    end
  end

  describe Windlass::Physiology::ModelRange do
    it "says plainly for whom there is no forecast" do
      expect(described_class.objection(age: 18)).to be_nil
      expect(described_class.objection(age: 17)).to include "under 18"
      expect(described_class.objection(age: 30, pregnant: true)).to include "pregnancy"
      expect(described_class.objection(age: 30, lung_disease: true)).to include "lung disease"
      expect([634, 633].map { |mmhg| described_class.objection(age: 30, barometric_mmhg: mmhg) }).to match [
        nil,
        /1,500 m/
      ]
    end
  end
end
