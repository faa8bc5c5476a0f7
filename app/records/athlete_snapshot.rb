# frozen_string_literal: true

module Windlass
  module Records
    # What was read of an athlete from many rows, part by part: each part is read when somebody asks for it, for all who
    # are asked about at once, and is kept under the athlete's mark. The mark is another whenever a row changes that it
    # stands for, so nothing in here is ever out of date.
    module AthleteSnapshot
      KEPT = BoundedCache.new(8_000)

      # @param part [Symbol] what it is, such as :mornings
      # @param ids [Array<Integer>] of athletes
      # @param further [Array] what it depends on besides, such as a day
      # @yieldparam some [Array<Integer>] ids of whom it has to be read; @yieldreturn [Hash] by id
      # @return [Hash] by id
      def self.of(part, ids, *further)
        keys = Athlete.where(id: ids).pluck(:id, :desk_mark).map { |id, mark| [id, mark, part, *further] }
        found =
          KEPT.fetch_all(keys) do |missing|
            yield(missing.map(&:first)).then { |anew| missing.to_h { |key| [key, anew[key.first]] } }
          end
        keys.map(&:first).zip(found).to_h
      end
    end
  end
end
