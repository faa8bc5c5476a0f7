# frozen_string_literal: true

RSpec.describe Windlass::Physiology::Oximeter do
  let(:session) do
    timeline do |line|
      line.breathe(60)
      line.inhale(4, to: :full)
      line.hold(130)
      line.exhale(4, to: :passive)
      line.breathe(90)
    end
  end
  let(:trace) { model.forecast(session.segments, trace: true).trace }
  let(:hold_end_s) { session.holds.first.end_ms / 1000.0 }

  it "shows the resting value for fifteen seconds, and the low after the hold has ended, in steps of a point" do
    readings = described_class.readings(trace, 1)

    expect(readings.first(16).map { |_, saturation| saturation.round(2) }.uniq).to eq [0.98]
    expect(readings.min_by(&:last).first).to be_between(hold_end_s + 12, hold_end_s + 30)
    expect(readings.map { |_, saturation| (saturation * 100).round(6) % 1 }).to all(eq 0)
  end

  it "plays the same session for the same seed, slower in the hold" do
    play = ->(seed) do
      Windlass::Physiology::SimulatedOximeter.new(session, trace, random: Random.new(seed), resting_pulse: 60).readings
    end

    expect(play[1]).to eq play[1]
    expect(play[1]).not_to eq play[2]
    expect([play[1][180].pulse, play[1][59].pulse]).to match [be_between(46, 53), be_between(57, 63)]
  end

  describe Windlass::Physiology::Alignment do
    it "finds how late a trace is, even from a device that reads two points low, and whose low it was" do
      late =
        described_class::LAGS_S
          .to_a
          .values_at(8, 27)
          .map { |lag| (0..280).map { |t| [t, trace.at([t - lag, 0].max).sao2 - 0.02] } }

      expect(late.map { |recorded| described_class.lag_s(recorded, trace) }).to eq [8, 27]
      lows = described_class.lows(late.first, session, 8)
      expect(lows).to match({1 => be_within(0.002).of(trace.every(1).map(&:sao2).min - 0.02)})
    end

    it "takes the usual delay where the trace hardly moves" do
      expect(described_class.lag_s([[0, 0.98], [60, 0.97]], trace)).to eq 21
    end
  end

  describe Windlass::Physiology::Fitting do
    def logged(of, thrift)
      after = [*session.segments, Windlass::Timeline::Segment.new(kind: :breathe, ms: 40_000, rate: 12)]
      readings =
        Windlass::Physiology::Oximeter.readings(model(of.with(thrift: thrift)).forecast(after, trace: true).trace, 1)
      described_class::Logged.new(
        timeline: session,
        urges: {1 => 84.0},
        lows: Windlass::Physiology::Alignment.lows(readings, session, 21)
      )
    end

    it "moves thrift toward what the oximeter shows, little while data are few" do
      frugal = logged(body, 0.75)
      fits = [0, 1, 9].map { |sessions| described_class.thrift(body, [frugal] * sessions) }

      expect(fits).to match [1.0, be_within(0.02).of((0.75 + 3) / 4), be_within(0.02).of((9 * 0.75 + 3) / 12)]
    end

    let(:taught) { {} }
    let(:remember) { ->(key, &fit) { taught.fetch(key) { taught[key] = fit.call } } }

    it "leans to neither side, though devices show whole points" do
      thrifts = Array.new(16) { |index| 0.7 + index * 0.03 }
      # Of so many sessions that the belief in anybody weighs nothing.
      found = thrifts.map { |one| described_class.thrift(body, [logged(body, one)] * 3000, remember: remember) }
      errors = found.zip(thrifts).map { |one, other| one - other }

      expect(errors).to all(be_between(-0.04, 0.04))
      expect(errors.sum / errors.size).to be_between(-0.01, 0.01)
    end

    it "asks a session once, whatever was learned since, and learns nothing from lows of holds that nobody ran" do
      frugal = logged(body, 0.75)
      fits = [1.0, 0.8].map { |thrift| described_class.thrift(body.with(thrift: thrift), [frugal], remember: remember) }

      expect([fits.uniq.size, taught.size]).to eq [1, 1]
      expect(described_class.thrift(body, [frugal.with(lows: {7 => 0.8})])).to eq 1.0
    end

    def of_holds(seconds, low)
      plan = timeline do |line|
        4.times do
          line.breathe(60)
          line.hold(seconds)
        end
        line.breathe(60)
      end
      described_class::Logged.new(timeline: plan, urges: {}, lows: {1 => low, 2 => low, 3 => low})
    end

    it "is warned by short holds as by long ones, and reassured the less the shorter they are" do
      high, low =
        [0.99, 0.95].map do |said|
          [6, 15, 25, 40].map { |seconds| described_class.thrift(body, [of_holds(seconds, said)]) }
        end

      expect(high.first).to be > 0.995
      expect(high.each_cons(2)).to all(satisfy { |shorter, longer| shorter > longer })
      expect(low.first).to eq((1.2 + 3) / 4)
    end

    it "reads a second threshold from first urges marked on full lungs" do
      threshold = described_class.full_threshold(body, [logged(body, 1.0)])

      expect(threshold).to be_within(0.3).of(model.calibration.threshold + 0.4)
      expect(described_class.full_threshold(body, [])).to be_nil
    end
  end
end
