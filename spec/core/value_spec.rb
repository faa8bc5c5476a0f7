# frozen_string_literal: true

require "windlass"

RSpec.describe Windlass::Value do
  let(:point) { described_class.define(:x, :y) { def length = Math.hypot(x, y) } }
  let(:part) { described_class.define(:kind, until: nil, ms: 10, words: %w[a b]) }
  let(:span) do
    described_class.define(:from, :to) do
      def initialize(from:, to: from + 1)
        super(from: [from, to].min, to: [from, to].max)
      end
    end
  end

  it "has named members, is frozen, and is the same where they are" do
    one, same = Array.new(2) { point.new(x: 3, y: 4) }
    expect([one.length, one.frozen?, one == same, one.hash == same.hash, {one => 1}[same]]).to eq [
      5.0, true, true, true, 1
    ]
    expect(one.eql?(point.new(x: 3.0, y: 4))).to be false
    expect { one.x = 5 }.to raise_error(NoMethodError)
    expect { one.instance_variable_set(:@z, 1) }.to raise_error(FrozenError)
  end

  it "asks for all of them, and for no other" do
    expect { point.new(x: 1) }.to raise_error(ArgumentError, /missing keyword: :y/)
    expect { point.new(x: 1, y: 2, z: 3) }.to raise_error(ArgumentError, /unknown keyword/)
    expect { part.new(ms: 3) }.to raise_error(ArgumentError, /missing keyword: :kind/)
    expect { point.new(1, 2) }.to raise_error(ArgumentError)
  end

  it "takes what it is left without from its own defaults, also under a name that is a word of the language" do
    expect(part.new(kind: :hold).to_h).to eq({kind: :hold, until: nil, ms: 10, words: %w[a b]})
    expect(part.new(kind: :hold, until: :cap).until).to eq :cap
    expect(part.new(kind: :hold).words).to be_frozen
  end

  it "works out what one member is by another, of a copy as well" do
    expect([span.new(from: 4), span.new(from: 4, to: 1), span.new(from: 4).with(to: 2)].map(&:to_a)).to eq [
      [4, 5],
      [1, 4],
      [2, 4]
    ]
    expect { span.new(from: 4).with(length: 2) }.to raise_error(ArgumentError, /unknown keywords: \[:length\]/)
  end

  it "gives a copy with some changed, and the others as they were" do
    cap = part.new(kind: :hold, until: :cap, ms: 20)
    expect(cap.with(ms: 30).to_h).to eq({kind: :hold, until: :cap, ms: 30, words: %w[a b]})
    expect([cap.with(until: nil).until, cap.until]).to eq [nil, :cap]
    expect([cap.with, cap.with.frozen?, cap.ms]).to eq [cap, true, 20]
    expect { cap.with(minutes: 3) }.to raise_error(ArgumentError, /unknown keywords: \[:minutes\]/)
  end
end
