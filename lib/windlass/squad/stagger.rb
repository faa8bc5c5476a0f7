# frozen_string_literal: true

module Windlass
  module Squad
    # When each lane starts, and what is left that was not wanted.
    # collisions: pairs of first breaths of different lanes less than the gap apart. overlap_s: seconds in which both of
    # a pair hold.
    Arrangement = Value.define(:starts, :collisions, :overlap_s, :ends_s)

    # Chooses the starts of a squad so that no two first breaths fall together. Wanted, in this order: fewest
    # collisions, fewest overlapping seconds in pairs, the earliest common end, the earliest starts in the order of the
    # lanes. Deterministic: the best that exists up to three lanes, a search for more.
    module Stagger
      MOST_LANES = LETTERS.size
      GAP_S = 8
      LATEST_S = 300
      EXACT_LANES = 3
      # How many half-finished arrangements are looked at before the best so far has to do.
      MOST_STEPS = 350
      MOST_PASSES = 6

      # @param lanes [Array<Lane>]
      # @param gap_s [Numeric] first breaths are at least this far apart; exactly this is far enough
      # @param latest_s [Integer] no lane starts later
      # @return [Arrangement]
      def self.of(lanes, gap_s: GAP_S, latest_s: LATEST_S)
        squad = Clashes.new(lanes, gap_s, latest_s)
        starts = (lanes.size <= EXACT_LANES) ? Exact.starts(squad) : Search.starts(squad)
        collisions, overlap_s, ends_s = squad.cost(starts)
        Arrangement.new(
          starts: lanes.map(&:id).zip(starts).to_h.freeze,
          collisions: collisions,
          overlap_s: overlap_s,
          ends_s: ends_s
        )
      end
    end
  end
end
