# frozen_string_literal: true

require "web_helper"
require "rbconfig"
require_relative "../../app/rooms"

RSpec.describe Windlass::GarbageCollection do
  room = {
    old_objects: 100, old_objects_limit: 1000, oldmalloc_increase_bytes: 100, oldmalloc_increase_bytes_limit: 1000,
    remembered_wb_unprotected_objects: 100, remembered_wb_unprotected_objects_limit: 1000,
    malloc_increase_bytes: 100, malloc_increase_bytes_limit: 1000, heap_available_slots: 1_000_000,
    heap_marked_slots: 700_000, heap_live_slots: 750_000, heap_allocatable_pages: 0
  }.freeze

  def collected(counts)
    asked = []
    [described_class.between_answers(counts: counts, collect: ->(full_mark:) { asked << full_mark }), asked]
  end

  it "looks through all just before Ruby would, by whichever it counts, and not before" do
    described_class::LIMITS.each_key do |count|
      expect([700, 701].map { |number| collected(room.merge(count => number)) }).to eq [[nil, []], [:all, [true]]]
    end
    expect([800_000, 800_001].map { |marked| collected(room.merge(heap_marked_slots: marked)) }).to eq [
      [nil, []],
      [:all, [true]]
    ]
    # Room that was found but not taken yet is room.
    expect(collected(room.merge(heap_marked_slots: 800_001, heap_allocatable_pages: 1))).to eq [nil, []]
  end

  it "looks through what is new where the next answer could have no room, and where that gives some" do
    expect([700, 701].map { |number| collected(room.merge(malloc_increase_bytes: number)) }).to eq [
      [nil, []],
      [:new, [false]]
    ]
    expect([920_000, 920_001].map { |live| collected(room.merge(heap_live_slots: live)) }).to eq [
      [nil, []],
      [:new, [false]]
    ]
    # Little comes free of a heap that is small, or nearly full of what stays.
    small = {heap_available_slots: 200_000, heap_marked_slots: 40_000, heap_live_slots: 190_000}
    expect([0, 1].map { |fewer| collected(room.merge(small, heap_marked_slots: 40_000 - fewer)) }).to eq [
      [nil, []],
      [:new, [false]]
    ]
  end

  # In a Ruby of its own, as it is served: what these specs left lying about is no matter.
  it "leaves Ruby next to nothing to look through in the middle of what keeps more and more" do
    settings =
      File
        .readlines(File.expand_path("../../config/ruby.env", __dir__), chomp: true)
        .grep(/\ARUBY_GC/)
        .to_h { |line| line.split("=", 2) }
        .reverse_merge(ENV.keys.grep(/\ARUBY_GC/).to_h { |name| [name, nil] })
    script = <<~'RUBY'
      kept = []
      puts(Array.new(1_200) do
        Windlass::GarbageCollection.between_answers if ARGV == ["between"]
        before = GC.stat(:major_gc_count)
        kept << Array.new(300) { |index| "what is kept #{index}" }
        Array.new(2_000) { |index| "what is not #{index}" }
        GC.stat(:major_gc_count) - before
      end.sum)
    RUBY
    collection = File.expand_path("../../app/frame/garbage_collection", __dir__)
    alone, between =
      [[], ["between"]].map do |how|
        Integer(
          IO.popen(
            [settings, RbConfig.ruby, "-r", collection, "-e", script, *how],
            &:read
          )
        )
      end

    expect([alone, between]).to match [be >= 8, be <= 1]
  end
end
