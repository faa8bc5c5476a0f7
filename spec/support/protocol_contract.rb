# frozen_string_literal: true

# What every protocol of the library keeps to, whatever its family. Common practice, no source.
RSpec.shared_examples "a protocol" do |protocol|
  measured =
    [3, 5.5, 10, 12.3, 18, 26, 41, 88].map do |seconds|
      Windlass::Measures::Values.new(control_pause_s: seconds, maximal_hold_s: 4 * seconds)
    end
  ladders =
    measured
      .map { |values| [values, Windlass::Progression::Ladder.new(protocol, values)] }
      .select { |_, ladder| ladder.offered_at_all? }

  it "has a name, a stable id, something that it trains, and cautions in whole sentences" do
    expect(protocol.id).to match(/\A[a-z][a-z0-9]*(-[a-z0-9]+)*\z/)
    expect([protocol.name, protocol.trains]).to all(match(/\S/))
    expect([protocol.trains, *protocol.cautions]).to all(end_with("."))
    expect(Windlass::Protocols::GOALS).to have_key(protocol.goal)
    expect(
      [protocol.places - Windlass::Protocols::PLACES.keys, protocol.disciplines - Windlass::Protocols::DISCIPLINES]
    ).to all(be_empty)
    expect([nil, *Windlass::Screening::MATRIX.columns.keys]).to include(protocol.column)
  end

  it "is offered to somebody" do
    expect(ladders).not_to be_empty
  end

  it "climbs one lever by one step at a time, never past a limit, and ends where none can step" do
    ladders.each do |values, ladder|
      limits = protocol.levers.to_h { |lever| [lever.key, lever.limit_for(values)] }
      ladder
        .rungs
        .each_cons(2) do |below, above|
          changed = protocol.levers.select { |lever| lever.value(below) != lever.value(above) }
          expect(changed.size).to eq 1
          expect(changed.first.value(above) - changed.first.value(below)).to be_within(1e-9).of(changed.first.step)
        end
      protocol.levers.each do |lever|
        expect(ladder.rungs.count { |dose| lever.harder?(lever.value(dose), limits[lever.key]) }).to eq 0
        expect(lever.harder?(lever.after(ladder.rungs.last), limits[lever.key])).to be true
      end
    end
  end

  it "stands on the very rung whose dose it had" do
    ladders.each do |values, ladder|
      places = ladder.rungs.map { |dose| Windlass::Progression::Standing.of(protocol, values, dose: dose).rung }
      expect(places).to eq (0...ladder.rungs.size).to_a
    end
  end

  it "compiles every rung to whole milliseconds, with a cue and a phase for every segment, and says it in words" do
    ladders
      .flat_map { |_, ladder| ladder.rungs }
      .uniq
      .each do |dose|
        compiled = protocol.compile(dose)
        expect(compiled.segments.map(&:ms)).to all(be_an(Integer).and(be > 0))
        expect(compiled.placed.last.end_ms).to eq compiled.segments.sum(&:ms)
        expect(protocol.longest_hold_s(dose)).to eq(compiled.holds.map { |place| place.segment.seconds }.max || 0)
        expect(compiled.segments.map(&:cue)).to all(match(/\S/))
        expect(compiled.segments.map(&:phase).uniq - %i[settle work rest]).to be_empty
        expect(protocol.rounds(dose)).to eq(compiled.own_pace? ? 0 : compiled.holds.size * protocol.sets(dose))
        expect(protocol.hold_seconds(dose)).to eq compiled.hold_ms/1000r * protocol.sets(dose)
        expect(protocol.in_words(dose)).not_to match(/\d\.\d{2}|nil/)
      end
  end

  it "allows its own rungs, halves and light days, and refuses what its parameters do not know" do
    ladders
      .flat_map { |_, ladder| ladder.rungs }
      .uniq
      .each do |dose|
        eased = [dose, protocol.halved(dose), protocol.lightened(dose)].uniq
        expect(eased.map { |one| protocol.faults(one) }).to all(eq({}))
        expect(eased.map { |one| protocol.hold_seconds(one) }).to all(be <= protocol.hold_seconds(dose))
      end
    expect(protocol.faults({tempi: 3})).to include(
      :tempi => "is not known here",
      protocol.parameters.first.key => "is missing"
    )
  end
end
