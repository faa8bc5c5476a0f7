# frozen_string_literal: true

require "spec_helper"
require "windlass"

RSpec.describe Windlass::BoundedCache do
  subject(:kept) { described_class.new(6) }

  it "works out what it does not have, once" do
    asked = []
    answers = %w[a b a a].map { |key| kept.fetch(key) { (asked << key).size } }
    expect([answers, asked]).to eq [[1, 2, 1, 1], %w[a b]]
  end

  it "forgets what was not asked for lately, and never all at once" do
    %w[a b c d].each { |key| kept.fetch(key) { key } }
    kept.fetch("a") { raise "was kept" }
    %w[e f].each { |key| kept.fetch(key) { key } }
    again = %w[f e d a b].map { |key| kept.fetch(key) { "anew" } }
    expect([again, kept.size]).to match [%w[f e d a anew], be <= 6]
  end

  it "keeps nothing, and no false answer, where working it out failed" do
    expect { kept.fetch("a") { raise ArgumentError } }.to raise_error(ArgumentError)
    expect(kept.fetch("a") { nil }).to be_nil
    expect(kept.fetch("a") { "not asked for nil again" }).to be_nil
  end

  it "answers many in their order, and asks for the missing ones together" do
    kept.fetch(2) { "two" }
    asked = []
    answers = kept.fetch_all([3, 2, 1]) { |missing| (asked << missing) && missing.to_h { |key| [key, key.to_s] } }
    expect([answers, asked, kept.fetch_all([1, 2, 3]) { raise "kept" }]).to eq [%w[3 two 1], [[3, 1]], %w[1 two 3]]
  end

  it "gives an answer to each of many who ask for more than it keeps" do
    expect(kept.fetch_all((1..9).to_a) { |missing| missing.to_h { |key| [key, key * key] } }).to eq (1..9).map { |key|
      key * key
    }
    expect(kept.size).to be_between(3, 6)
  end

  it "is asked by several threads at once without losing its count" do
    threads =
      Array.new(8) do |seed|
        random = Random.new(seed)
        Thread.new { Array.new(500) { random.rand(9) }.reject { |key| kept.fetch(key) { key * 2 } == key * 2 } }
      end
    expect([threads.flat_map(&:value), kept.size]).to match [[], be_between(3, 6)]
  end
end
