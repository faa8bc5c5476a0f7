# frozen_string_literal: true

RSpec.describe Windlass::Timeline::AsRun do
  event = ->(kind, at_ms, round) { Windlass::Timeline::Event.new(kind: kind, at_ms: at_ms, round: round) }

  let(:plan) do
    Windlass::Timeline::Compiler.compile do |line|
      line.breathe(60, phase: :settle)
      line.hold(30, round: 1)
      line.exhale(3, to: :passive)
      line.breathe(20, breaths: 4)
      line.inhale(4, to: :full)
      line.hold(30, round: 2)
      line.breathe(57)
    end
  end

  def lengths(*events) = described_class.of(plan, events).segments.map { |segment| segment.ms / 1000.0 }

  it "is the plan where nothing was held" do
    expect(described_class.of(plan, [])).to be plan
    expect(described_class.of(plan, [event[:hold_start, 60_000, 1]])).to be plan
  end

  it "holds as long as was held, and lets counted parts take up what the clock does not own" do
    events = [
      event[:hold_end, 132_000, 2],
      event[:hold_start, 60_000, 1],
      event[:hold_start, 112_500, 2],
      event[:hold_end, 81_000, 1]
    ]

    expect(lengths(*events)).to eq [60, 21, 3, 24.5, 4, 19.5]
  end

  it "stretches all alike where there was less time than the clock's own parts take" do
    events = [
      event[:hold_start, 60_000, 1],
      event[:hold_end, 90_000, 1],
      event[:hold_start, 93_000, 2],
      event[:hold_end, 100_000, 2]
    ]
    run = described_class.of(plan, events)

    expect(run.segments[2..4].sum(&:ms)).to eq 3000
    expect(run.segments[3].ms).to be > run.segments[4].ms
    expect(run.holds.map { |place| [place.start_ms, place.end_ms] }).to eq [[60_000, 90_000], [93_000, 100_000]]
  end

  it "puts every hold where the journal has it, whatever the plan, for any run of any family" do
    random = Random.new(7)
    Windlass::Protocols::ALL.each do |protocol|
      compiled =
        protocol.compile(protocol.start(Windlass::Measures::Values.new(control_pause_s: 25, maximal_hold_s: 120)))
      at = 0
      moments =
        compiled.holds.map { |place| [place.number, at += random.rand(2_000..90_000), at += random.rand(500..80_000)] }
      events =
        moments.flat_map do |number, start, finish|
          [event[:hold_start, start, number], event[:hold_end, finish, number]]
        end
      run = described_class.of(compiled, events.shuffle(random: random))

      next if moments.empty?
      expect(run.holds.map { |place| [place.number, place.start_ms, place.end_ms] }).to eq moments
    end
  end
end
