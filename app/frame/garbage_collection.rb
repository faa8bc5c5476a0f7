# frozen_string_literal: true

module Windlass
  # To look through all that a process keeps takes Ruby a tenth of a second and more, through what is new a hundredth or
  # two, and it does so in the middle of an answer. Here it is done between two answers, a little before Ruby would;
  # whoever comes meanwhile is answered by another process.
  module GarbageCollection
    # What Ruby counts, and at what it looks through all.
    LIMITS = {
      old_objects: :old_objects_limit,
      oldmalloc_increase_bytes: :oldmalloc_increase_bytes_limit,
      remembered_wb_unprotected_objects: :remembered_wb_unprotected_objects_limit
    }.freeze
    # At what it looks through what is new.
    NEW = %i[malloc_increase_bytes malloc_increase_bytes_limit].freeze
    # So much of a limit is near: an answer takes a few hundredths of it.
    NEAR = 0.7
    # Where less than a fifth of the places for objects comes free, Ruby looks through all the next time, and makes
    # room.
    FULL = 0.8
    PLACES_A_PAGE = GC::INTERNAL_CONSTANTS.fetch(:HEAP_PAGE_OBJ_LIMIT)
    # Places for objects that one answer may take. Where fewer are free, Ruby looks through what is new; where no more
    # than that of two answers can come free, that is not worth its time.
    PLACES_AN_ANSWER = 80_000

    class << self
      # @param counts [Hash{Symbol => Integer}] as `GC.stat`
      # @param collect [#call] as `GC.start`
      # @return [Symbol, nil] what was looked through: :all, what is :new, or nothing
      def between_answers(counts: GC.stat, collect: GC.method(:start))
        what = due(counts) or return
        collect.call(full_mark: what == :all)
        what
      end

      private

      def due(counts)
        return :all if limit_near?(counts) || full?(counts)

        :new if new_near?(counts)
      end

      def new_near?(counts)
        places = places(counts)
        near?(counts, *NEW) ||
          (places - counts.fetch(:heap_live_slots) < PLACES_AN_ANSWER &&
            places - counts.fetch(:heap_marked_slots) > 2 * PLACES_AN_ANSWER)
      end

      def limit_near?(counts) = LIMITS.any? { |count, limit| near?(counts, count, limit) }

      def near?(counts, count, limit) = counts.fetch(count) > NEAR * counts.fetch(limit)

      def full?(counts) = counts.fetch(:heap_marked_slots) > FULL * places(counts)

      # Room that was found but not taken yet is room.
      def places(counts) =
        counts.fetch(:heap_available_slots) + counts.fetch(:heap_allocatable_pages) * PLACES_A_PAGE
    end
  end
end
