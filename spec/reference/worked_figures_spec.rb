# frozen_string_literal: true

# gas-model.md 7: figures from an independent implementation of the same equations, for a man of 30 years, 178 cm and
# 75 kg with a control pause of 25 s. Pressures to 0.2 mmHg, times to 0.5 s, unless the figure is given more coarsely.
RSpec.describe "The worked figures" do
  def near(value, by) = be_within(by).of(value)

  it "lung volumes" do
    expect([body.tlc_l, body.rv_l, body.frc_l]).to match [near(7.14, 0.005), near(1.76, 0.005), near(3.35, 0.005)]
  end

  it "at rest, and the urge threshold" do
    rested = subject_at_rest
    expect([rested.pco2, rested.po2, rested.saturation]).to match [
      near(40.1, 0.1),
      near(102.5, 0.1),
      near(0.979, 0.0005)
    ]
    expect(model.calibration.threshold).to near(51.65, 0.05)
  end

  it "a hold of 35 s from a passive breath out" do
    hold = last_hold { |line| line.hold(35) }

    expect(hold.to_h).to include(
      pco2_end: near(50.7, 0.1),
      po2_end: near(69.4, 0.1),
      urge_s: near(25.0, 0.1),
      floor_s: near(52.6, 0.1),
      margin_s: near(27.6, 0.1),
      margin: :clear
    )
  end

  it "the same lying" do
    hold = last_hold(model(body(posture: :lying))) { |line| line.hold(35) }

    expect(hold.to_h).to include(po2_end: near(60.35, 0.2), urge_s: near(20.3, 0.1), floor_s: near(40.55, 0.15))
  end

  it "a full breath held for three minutes" do
    hold =
      last_hold do |line|
        line.inhale(4, to: :full)
        line.hold(180)
      end

    expect(hold.to_h).to include(
      pco2_start: near(23.9, 0.1),
      pco2_end: near(55.9, 0.1),
      po2_end: near(43.1, 0.1),
      sao2_min: near(0.72, 0.005),
      urge_s: near(82.4, 0.3),
      floor_s: near(141.4, 0.3)
    )
  end

  it "thirty full breaths, then an empty hold: the urge comes after the oxygen is gone" do
    hold =
      last_hold do |line|
        over_breathe(line)
        line.hold(90)
      end

    expect(hold.to_h).to include(
      co2_washout: near(19.3, 0.1),
      pco2_end: near(40.2, 0.1),
      po2_end: near(54.3, 0.1),
      urge_s: near(162.5, 0.5),
      floor_s: near(95.3, 0.2),
      margin_s: near(-67, 0.5),
      margin: :inverted
    )
    expect(hold).to be_strongly_over_breathed
  end
end
