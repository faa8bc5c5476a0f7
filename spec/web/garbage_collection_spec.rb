# frozen_string_literal: true

require "web_helper"
require "rbconfig"
require_relative "../../app/rooms"

RSpec.describe Windlass::GarbageCollection do
  room = {
    old_objects: 100, old_objects_limit: 1000, oldmalloc_increase_bytes: 100, oldmalloc_increase_bytes_limit: 1000,
    remembered_wb_unprotected_objects: 100, remembered_wb_unprotected_objects_limit: 1000, heap_available_slots: 1000,
    heap_marked_slots: 700, heap_allocatable_pages: 0
  }.freeze

  def collected(counts)
    times = 0
    [described_class.between_answers(counts: counts, collect: -> { times += 1 }), times]
  end

  it "looks through all just before Ruby would, by whichever it counts, and not before" do
    described_class::LIMITS.each_key do |count|
      expect([collected(room.merge(count => 700)), collected(room.merge(count => 701))]).to eq [[false, 0], [true, 1]]
    end
    expect([800, 801].map { |marked| collected(room.merge(heap_marked_slots: marked)) }).to eq [[false, 0], [true, 1]]
    # Room that was found but not taken yet is room.
    expect(collected(room.merge(heap_marked_slots: 900, heap_allocatable_pages: 1))).to eq [false, 0]
  end

  # In a Ruby of its own, as it is served: what these specs left lying about is no matter.
  it "leaves Ruby next to nothing to look through in the middle of what keeps more and more" do
    settings =
      File
        .readlines(File.expand_path("../../config/ruby.env", __dir__), chomp: true)
        .grep(/\ARUBY_GC/)
        .to_h { |line| line.split("=", 2) }
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
