# frozen_string_literal: true

module Windlass
  module Spoken
    # The deeds of a session, and the words for each part: the whole instruction where it is the first of its kind,
    # later what differs anywhere in the session, and where there is no room for that, one word that means this deed and
    # no other.
    class Deeds
      # @param compiled [Timeline::Compiled]
      def initialize(compiled)
        @placed = compiled.placed
        @deeds = @placed.each_index.map { |index| Deed.of(@placed[index], lungs(index)) }
      end

      def [](index) = @deeds[index]

      # @return [Array<String>] for a part, the longest first
      def words(index) = [phrase(index, first?(index) ? Deed::FACETS : varying), phrase(index, varying)].uniq

      # @return [String, nil] one word that means this deed alone
      def single(index) = (@single ||= {})[deed_key(index)] ||= own_words(index).find { |word| alone?(index, word) }

      # @return [Boolean] the body does something else than in the part before
      def changes?(index) = index.zero? || @deeds[index] != @deeds[index - 1]

      # @return [Array] equal where the same is to be done
      def deed_key(index) = @deeds[index].key(varying)

      # The first of its kind, in each block anew.
      def first?(index)
        @firsts ||=
          @deeds
            .each_index
            .group_by { |at| [@placed[at].segment.block, @deeds[at].kind, @deeds[at].base] }
            .values
            .to_set(&:first)
        @firsts.include?(index)
      end

      private

      def lungs(index) = (index.positive? && @placed[index - 1].segment.kind == :inhale) ? :full : :empty

      # Facets that differ anywhere, among deeds that can have them and of which something is said.
      def varying
        @varying ||=
          Deed::FACETS.select do |facet|
            @deeds.select { |deed| applies?(deed, facet) }.map { |deed| deed.public_send(facet) }.compact.uniq.size > 1
          end
      end

      # Of these one is narrowed in one part and open in another.
      def narrowed_at_times =
        @narrowed_at_times ||= @deeds.group_by(&:base).select { |_, all| all.map(&:narrowed).uniq.size > 1 }.keys

      def applies?(deed, facet)
        case facet
        when :level
          deed.base == "hold"
        when :locks
          true
        else
          %i[inhale exhale].include?(deed.kind)
        end
      end

      def phrase(index, facets)
        deed = @deeds[index]
        side = deed.side if facets.include?(:side)
        rest = (facets - %i[side locks]).filter_map { |facet| word(deed, facet) }
        [
          [[deed.base, side].compact.join(" "), *rest].join(", "),
          (locks(index) if facets.include?(:locks))
        ].compact.join("; ")
      end

      def word(deed, facet)
        return unless applies?(deed, facet)

        value = deed.public_send(facet)
        return value ? "narrowed" : ("open" if narrowed_at_times.include?(deed.base)) if facet == :narrowed

        value&.to_s
      end

      # A lock that is new, one that is kept, and that one is let go, where nothing in the part before called it.
      def locks(index)
        before = index.zero? ? [] : @deeds[index - 1].locks
        now = @deeds[index].locks
        fresh = now - before
        return (fresh.size == Protocols::Nostril::LOCKS.size) ? "all locks" : fresh.join(", ") if fresh.any?
        return "keep #{{1 => now.first, 2 => "both"}.fetch(now.size, "all")}" if now.any?

        "let go" if before.any? && !called_off?(index - 1)
      end

      def called_off?(index) = @placed[index].segment.calls.to_a.any? { |_, words| words.downcase.include?("lock go") }

      # The words of its shortest instruction, what tells most first.
      def own_words(index)
        deed = @deeds[index]
        [
          deed.side&.to_s,
          (deed.level&.to_s if deed.base == "hold"),
          *Deed::SHORT.fetch(deed.base, deed.base),
          ("narrowed" if deed.narrowed),
          deed.way&.to_s,
          *deed.locks.map(&:to_s)
        ].compact
      end

      def alone?(index, word)
        others =
          (
            @by_word ||=
              Hash.new do |all, one|
                all[one] = @deeds.each_index.select { |at| own_words(at).include?(one) }.map { |at| deed_key(at) }.uniq
              end
          )[
            word
          ]
        others == [deed_key(index)]
      end
    end
  end
end
