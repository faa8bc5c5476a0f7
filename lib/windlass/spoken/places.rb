# frozen_string_literal: true

module Windlass
  module Spoken
    # Where one is, said once where a round or a block begins: in its first part that is long enough. What goes from
    # breath to breath tells the time that is left instead.
    class Places
      LONG_MS = 6000
      # Said so long before that part ends.
      OVER_MS = 1000
      # Shorter rounds are breaths: nobody wants to be told which.
      ROUND_MS = 12_000

      # @param compiled [Timeline::Compiled]
      # @param names [Hash{Integer => String}] of the blocks, where there are several
      def initialize(compiled, names)
        @placed = compiled.placed
        @names = names
        @timed = compiled.own_pace?
      end

      # @return [Array<Array(Array<Integer>, String)>] parts of one round, in which it may be said, and the words
      def all
        return [] if @timed

        runs
          .filter_map do |indexes|
            (words = words(indexes)) && [indexes.select { |index| @placed[index].ms >= LONG_MS }, words]
          end
          .reject { |indexes, _| indexes.empty? }
      end

      private

      # What stands between two parts of a round changes nothing: it is said once.
      def runs = @placed.each_index.select { |index| counted?(index) }.group_by { |index| key(index) }.values

      def counted?(index) = @placed[index].segment.phase != :settle && (@placed[index].segment.round || @names.any?)

      def key(index) = [@placed[index].segment.block, @placed[index].segment.round]

      def words(indexes)
        segment = @placed[indexes.first].segment
        [
          (block(segment.block) if opens?(indexes.first)),
          (round(segment) if indexes.sum { |index| @placed[index].ms } >= ROUND_MS)
        ].compact.join("; ").then { |words| words unless words.empty? }
      end

      # Nothing that is counted is before it in its block.
      def opens?(index) =
        (@opening ||= @placed.each_index.select { |at| counted?(at) }.uniq { |at| @placed[at].segment.block }).include?(
          index
        )

      def block(number) = @names[number] && "block #{Clips.number(number)}: #{@names[number]}"

      def round(segment)
        most =
          (
            @most ||=
              @placed.map(&:segment).select(&:round).group_by(&:block).transform_values { |all| all.map(&:round).max }
          )[
            segment.block
          ].to_i
        return if most < 2 || segment.round.nil?

        (segment.round == most) ? "last round" : "round #{Clips.number(segment.round)} of #{Clips.number(most)}"
      end
    end
  end
end
