# frozen_string_literal: true

module Windlass
  # To look through all that a process keeps takes Ruby a tenth of a second and more, and it does so in the middle of an
  # answer. Here it is done between two answers, a little before Ruby would; whoever comes meanwhile is answered by
  # another process.
  module GarbageCollection
    # What Ruby counts, and at what it looks through all.
    LIMITS = {
      old_objects: :old_objects_limit,
      oldmalloc_increase_bytes: :oldmalloc_increase_bytes_limit,
      remembered_wb_unprotected_objects: :remembered_wb_unprotected_objects_limit
    }.freeze
    # So much of a limit is near: an answer takes a few hundredths of it.
    NEAR = 0.7
    # Where less than a fifth of the places for objects comes free, Ruby looks through all the next time, and makes
    # room.
    FULL = 0.8
    PLACES_A_PAGE = GC::INTERNAL_CONSTANTS.fetch(:HEAP_PAGE_OBJ_LIMIT)

    class << self
      # @param counts [Hash{Symbol => Integer}] as `GC.stat`
      # @param collect [#call]
      # @return [Boolean] it was done
      def between_answers(counts: GC.stat, collect: GC.method(:start))
        near = limit_near?(counts) || full?(counts)
        collect.call if near
        near
      end

      private

      def limit_near?(counts) = LIMITS.any? { |count, limit| counts.fetch(count) > NEAR * counts.fetch(limit) }

      def full?(counts)
        places = counts.fetch(:heap_available_slots) + counts.fetch(:heap_allocatable_pages) * PLACES_A_PAGE
        counts.fetch(:heap_marked_slots) > FULL * places
      end
    end
  end
end
