# frozen_string_literal: true

module Windlass
  module Protocols
    # The lever of a block, as one of the whole session: one number of one block, or the same number of each block of a
    # series. It stands where the hardest of them stands; each moves by as much.
    module SeriesLever
      # @param lever [Lever] of the family
      # @param numbers [Array<Integer>] of the blocks, from 1
      # @return [Lever]
      def self.of(lever, numbers)
        places = numbers.map { |number| number - 1 }
        doses = ->(dose) { places.map { |place| dose[:blocks][place][:dose] } }
        lever.with(
          key: :"block_#{numbers.first}_#{lever.key}",
          words: "#{where(numbers)}, #{lever.words}",
          read: ->(dose) { hardest(lever, doses[dose].map { |one| lever.value(one) }) },
          moves: ->(dose) { doses[dose].all? { |one| lever.moves?(one) } },
          wider: lever.wider && ->(dose) { tightest(lever, doses[dose].map { |one| lever.wider.call(one) }) },
          write: ->(dose, value) { moved(dose, lever, places, value) }
        )
      end

      def self.where(numbers)
        return "block #{numbers.first}" if numbers.one?

        "blocks #{Words.list(numbers)}"
      end

      def self.hardest(lever, values) = (lever.harder == :up) ? values.max : values.min

      # Where one has no wider limit the usual one binds all.
      def self.tightest(lever, limits)
        return if limits.any?(&:nil?)

        (lever.harder == :up) ? limits.min : limits.max
      end

      def self.moved(dose, lever, places, value)
        values = places.map { |place| lever.value(dose[:blocks][place][:dose]) }
        by = value.rationalize(FINEST) - hardest(lever, values).rationalize(FINEST)
        blocks =
          dose[:blocks].each_with_index.map do |one, place|
            own = places.index(place)
            own ? one.merge(dose: lever.at(one[:dose], values[own].rationalize(FINEST) + by)).freeze : one
          end
        dose.merge(blocks: blocks.freeze)
      end
      private_class_method :where, :hardest, :tightest, :moved
    end
  end
end
