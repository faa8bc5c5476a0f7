# frozen_string_literal: true

require "windlass"
require_relative "../../app/rooms"

RSpec.describe Windlass::Presenters::BreathLine do
  let(:session) do
    timeline do |line|
      line.breathe(60, rate: 12)
      line.inhale(4, to: :full)
      line.hold(100)
      line.exhale(6, to: :passive)
      line.breathe(30, rate: 12)
      line.hold(20)
    end
  end
  let(:forecast) { model.forecast(session.segments, trace: true) }
  let(:line) { Windlass::Presenters::BreathLine.new(session, body, title: "A line", forecast: forecast) }
  let(:plain) { Windlass::Presenters::BreathLine.new(session, body, title: "A line") }

  def x_of(seconds) = 64 + seconds / 220.0 * (1116 - 64)

  # The corner points that a path goes through.
  def places(path) = path.scan(/(?:[ML]|C\S+ \S+ \S+ \S+ )(\S+) (\S+?)(?=[LC]|\z)/).map { |pair| pair.map(&:to_f) }

  it "runs over the whole session, from left to right, without a gap" do
    [line, plain].each do |one|
      xs = places(one.ink).map(&:first)
      expect(xs).to eq xs.sort
      expect([xs.first, xs.last]).to eq [described_class::LEFT.to_f, described_class::RIGHT.to_f]
    end
  end

  it "tints the holds where they are, with their length above" do
    expect(line.holds.map(&:label)).to eq ["1:40", "20 s"]
    expect(line.holds.first).to have_attributes(
      x: be_within(0.1).of(x_of(64)),
      width: be_within(0.2).of(x_of(164) - x_of(64))
    )
  end

  it "drops the labels that would overlap, never the holds" do
    crowd =
      timeline do |line|
        60.times do
          line.breathe(5)
          line.hold(5)
        end
      end
    drawn = described_class.new(crowd, body, title: "A crowd").holds

    expect(drawn.size).to eq 60
    centres = drawn.select(&:label).map(&:label_x)
    expect(centres.each_cons(2).map { |one, two| two - one }.min).to be >= described_class::LABEL_ROOM
  end

  it "names the levels that the line comes near, the passive one always" do
    expect(line.levels.map(&:first)).to include("passive", "easy", "big", "full")
    quiet = timeline { |one| one.breathe(60) }
    expect(described_class.new(quiet, body, title: "Quiet").levels.map(&:first)).to eq %w[passive easy]
  end

  it "draws full lungs above easy ones, and a breath round" do
    y = ->(name) { line.levels.to_h.fetch(name) }
    expect(y["full"]).to be < y["big"]
    expect(y["big"]).to be < y["passive"]
    expect(plain.ink).to include "C"
  end

  it "puts a bracket from the first urge to the floor on holds that reach one of them" do
    urge, floor = forecast.holds.first.to_h.values_at(:urge_s, :floor_s)

    expect(line.brackets.map(&:number)).to eq [1]
    expect(line.brackets.first).to have_attributes(
      kind: :clear,
      urge_x: be_within(0.1).of(x_of(64 + urge)),
      floor_x: be_within(0.1).of(x_of(64 + floor)),
      words: match(/\Aclear \+\d\d s\z/)
    )
    expect(plain.brackets).to be_empty
  end

  it "draws what was done over the plan: held, first urge, first breath" do
    done = Struct.new(:number, :held_ms, :first_urge_ms, :first_breath)
    marks =
      described_class.new(
        session,
        body,
        title: "Done",
        rounds: [done.new(1, 80_000, 42_000, "deeper"), done.new(2, nil, nil, nil), done.new(9, 1, nil, nil)]
      ).marks

    expect(marks.size).to eq 1
    expect(marks.first).to have_attributes(
      number: 1,
      breath: :deeper,
      x: be_within(0.1).of(x_of(64)),
      width: be_within(0.2).of(x_of(144) - x_of(64)),
      urge_x: be_within(0.1).of(x_of(106))
    )
  end

  it "says in words what it shows" do
    expect(
      line.description
    ).to eq "3 min 40 s in all: one hold of 1:40 and one hold of 20 s. The numbers stand in the table."
  end

  it "ticks the time in round steps that there is room for" do
    expect(line.time_ticks.map(&:last)).to eq %w[0:00 0:30 1:00 1:30 2:00 2:30 3:00 3:30]
    expect(Windlass::Presenters::Ticks.of(3600, Windlass::Presenters::Ticks::TIME_STEPS_S, 14)).to eq (0..3600).step(
         300
       ).to_a
  end

  describe Windlass::Presenters::GasStrips do
    let(:strips) { line.strips }

    def ys(path) = path.scan(/[ML]\S+ ([\d.]+)/).flatten.map(&:to_f)

    it "lets carbon dioxide rise from below and oxygen sink from above, to one limit" do
      co2_start, oxygen_start = ys(strips.co2_path).first, ys(strips.oxygen_path).first

      expect(co2_start).to be > strips.limit_y
      expect(oxygen_start).to be < strips.limit_y
      expect(ys(strips.co2_path).min).to be < strips.limit_y
    end

    it "meets the limit exactly where the forecast says" do
      urge_x = line.brackets.first.urge_x
      points = strips.co2_path.scan(/[ML](\S+) ([\d.]+)/).map { |pair| pair.map(&:to_f) }
      after = points.index { |x, y| x > x_of(64) && y <= strips.limit_y }

      expect(urge_x).to be_between(points[after - 1][0] - 0.1, points[after][0] + 0.1)
    end

    it "has no urge line without a control pause" do
      silent = Windlass::Physiology::Model.new(body).forecast(session.segments, trace: true)
      line = Windlass::Presenters::BreathLine.new(session, body, title: "Silent", forecast: silent)

      expect([line.strips.calibrated?, line.brackets]).to eq [false, []]
    end
  end

  describe Windlass::Presenters::Miniature do
    it "fits a row, with every hold in it" do
      small = described_class.new(session, body)
      xs, ys = small.ink.scan(/[ML](\S+) (\S+?)(?=L|\z)/).map { |pair| pair.map(&:to_f) }.transpose

      expect(xs.minmax).to eq [0.0, described_class::WIDTH.to_f]
      expect(ys.minmax).to match [be >= 0, be <= described_class::HEIGHT]
      expect(small.holds.size).to eq 2
    end
  end
end
