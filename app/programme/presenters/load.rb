# frozen_string_literal: true

module Windlass
  module Presenters
    # A week's holding against its line.
    Load =
      Value.define(:from, :hold, :limit, :easy, :share, :over) do
        # @param load [Hash] of a programme
        def self.of(load)
          limit = load["limit_s"]
          share = limit ? [load["hold_s"] / limit.to_f, 1.2].min : nil
          new(
            from: Date.iso8601(load["from"]),
            hold: Words.clock(load["hold_s"]),
            limit: limit && Words.clock(limit),
            easy: load["easy"],
            share: share,
            over: limit ? load["hold_s"] > limit : false
          )
        end

        # @return [Float] of a hundred, for a bar whose line stands at 83
        def bar = ((share || 0) * 100 / 1.2).round(1)

        def words =
          [limit ? "#{hold} of at most #{limit}" : "#{hold} of holding", ("easy week" if easy)].compact.join(", ")
      end
  end
end
