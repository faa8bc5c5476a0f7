# frozen_string_literal: true

# deck.md, staggered starts. Checked against an arrangement counted apart, and against every one there is.
RSpec.describe Windlass::Squad::Stagger do
  lane = ->(id, holds, seconds: 600, pair: nil) do
    Windlass::Squad::Lane.new(id: id, seconds: seconds, holds: holds, pair: pair)
  end

  # Counted as the words have it: pairs of first breaths of different lanes under the gap apart, seconds in which both
  # of a pair hold.
  define_method(:counted) do |lanes, starts, gap_s|
    clashes = overlap = 0
    lanes.combination(2) do |one, other|
      breaths = [one, other].map { |who| who.holds.map { |start, length| starts[who.id] + start + length } }
      clashes += breaths[0].product(breaths[1]).count { |mine, theirs| (mine - theirs).abs < gap_s }
      next unless one.pair == other.id

      one
        .holds
        .product(other.holds) do |(mine, mine_s), (theirs, theirs_s)|
          from, to =
            [starts[one.id] + mine, starts[other.id] + theirs].max,
            [starts[one.id] + mine + mine_s, starts[other.id] + theirs + theirs_s].min
          overlap += [to - from, 0].max
        end
    end
    [clashes, overlap.round(3), lanes.map { |who| starts[who.id] + who.seconds }.max]
  end

  define_method(:random_squad) do |random, size, holds|
    lanes =
      (0...size).map do |number|
        at = random.rand(20..90)
        list = Array.new(holds) { [at += random.rand(20..120), random.rand(10..80)].tap { |_, length| at += length } }
        lane[(65 + number).chr, list, seconds: at + 60]
      end
    lanes.each_slice(2).flat_map { |one, other| other ? [one.with(pair: other.id), other.with(pair: one.id)] : [one] }
  end

  it "is the best that exists, up to three lanes: collisions, overlap, common end, earliest starts" do
    random = Random.new(4)
    12.times do |turn|
      lanes = random_squad(random, 1 + turn % 3, 3)
      every = Array.new(lanes.size) { (0..12).to_a }.then { |first, *rest| first.product(*rest) }
      best = every.map { |starts| [*counted(lanes, lanes.map(&:id).zip(starts).to_h, 9), *starts] }.min
      found = described_class.of(lanes, gap_s: 9, latest_s: 12)

      expect([found.collisions, found.overlap_s.to_f, found.ends_s, *found.starts.values]).to eq [
        best[0],
        best[1].to_f,
        *best.drop(2)
      ]
    end
  end

  it "counts what it says, and finds an arrangement without collisions where there is room for one, up to twelve " \
    "lanes" do
    random = Random.new(9)
    # Each squad was made from an arrangement without collisions: first breaths nine seconds apart at least.
    [4, 6, 9, 12].each do |size|
      slots = (10..110).to_a.sample(size * 4, random: random).each_slice(4).to_a
      lanes =
        slots.each_with_index.map do |own, number|
          random
            .rand(0..80)
            .then do |start|
              lane[
                number.to_s,
                own.sort.map { |slot| [slot * 9 - start - 5, 5] },
                seconds: 1000,
                pair: (number ^ 1 if size.even?)&.to_s
              ]
            end
        end
      found = described_class.of(lanes)

      expect([found.collisions, found.overlap_s, found.ends_s]).to eq counted(lanes, found.starts, 8)
      expect(Windlass::Squad::LineUp.new(lanes, Array.new(size, 0)).collisions).to eq counted(
        lanes,
        lanes.to_h { |one| [one.id, 0] },
        8
      ).first
      expect(found.starts.values).to all(be_between(0, 300).and(be_an(Integer)))
      expect([found.collisions, found.starts.values.min]).to eq [0, 0]
      expect(described_class.of(lanes)).to eq found
    end
    same = (1..12).map { |number| lane[number.to_s, [[60, 60], [200, 60]]] }
    expect(described_class.of(same, gap_s: 8, latest_s: 88).collisions).to eq 0
    # The last of them fits only at the very latest start.
    expect(described_class::Free.new(described_class::Clashes.new(same, 8, 88)).starts.sort).to eq (0..88).step(8).to_a
  end

  # What is searched is at least the best that there is for each lane, the others staying; among those the earliest
  # common end.
  it "leaves no lane that could start better by itself, however many there are" do
    random = Random.new(11)
    [4, 5, 7, 12].each do |size|
      lanes = random_squad(random, size, 6)
      found = described_class.of(lanes, gap_s: 12, latest_s: 40).starts
      cost = ->(starts) { counted(lanes, starts, 12).then { |clashes, overlap, ends| [clashes, overlap.to_f, ends] } }
      better =
        lanes.product((0..40).to_a).select { |who, start| (cost[found.merge(who.id => start)] <=> cost[found]) < 0 }
      expect(better.map { |who, start| [who.id, start] }).to eq []
    end
  end

  it "is never worse than one lane after the other, each where it does least: ten and twelve lanes with room end no " \
    "later" do
    random = Random.new(3)
    [[10, 300], [12, 600], [12, 300]].first(Many.of(3)).each do |size, latest|
      lanes = random_squad(random, size, 6)
      in_turn =
        lanes.each_with_object({}) do |one, starts|
          before = lanes.select { |other| starts.key?(other.id) }
          starts[one.id] = (0..latest).min_by do |start|
            [*counted([*before, one], starts.merge(one.id => start), 8).first(2), start]
          end
        end
      found = described_class.of(lanes, latest_s: latest)
      expect(
        [found.collisions, found.overlap_s.to_f, found.ends_s] <=>
          counted(lanes, in_turn, 8).then { |clashes, overlap, ends| [clashes, overlap.to_f, ends] }
      ).to be <= 0
    end
  end

  it "lets a pair that watch each other hold in turn where their rests allow it; exactly the gap is far enough" do
    one, other = lane["a", [[60, 40], [160, 40]], pair: "b"], lane["b", [[60, 40], [160, 40]], pair: "a"]

    expect(described_class.of([one, other]).to_h).to eq(
      starts: {
        "a" => 0,
        "b" => 40
      },
      collisions: 0,
      overlap_s: 0,
      ends_s: 640
    )
    expect(described_class.of([one.with(pair: nil), other.with(pair: nil)]).starts).to eq({"a" => 0, "b" => 8})
    expect(described_class.of([lane["alone", []]]).to_h).to eq(
      starts: {"alone" => 0},
      collisions: 0,
      overlap_s: 0,
      ends_s: 600
    )
  end
end
