# frozen_string_literal: true

module Windlass
  module Progression
    # The doses of one protocol for one athlete, from the start to the last that its limits allow. Each rung differs from
    # the one below in exactly one lever by one step.
    class Ladder
      # No ladder needs more: a guard against levers without an end.
      MOST_RUNGS = 200

      attr_reader :protocol, :rungs

      # @param protocol [Protocols::Protocol]
      # @param measures [Measures::Values]
      # @param limits [Hash] a coach's tighter limits, by lever key
      # @param from [Hash, nil] a dose to start from in place of the protocol's own
      def initialize(protocol, measures, limits: {}, from: nil)
        @protocol = protocol
        @measures = measures
        @limits = protocol.levers.to_h { |lever| [lever.key, lever.limit_for(measures, limits[lever.key])] }
        start = from || protocol.start(measures)
        @rungs = (offered?(start) ? climb(start) : []).freeze
        freeze
      end

      # A ladder without rungs: a measure is missing, or the start is past its own limit.
      def offered_at_all? = rungs.any?

      def top = rungs.size - 1

      # Which one change leads from a rung to the next.
      # @return [Array(Protocols::Lever, Numeric, Numeric), nil] lever, value now, value then; nil at the top
      def change_after(rung)
        return if rung >= top

        lever = protocol.levers.find { |one| rungs[rung][one.key] != rungs[rung + 1][one.key] }
        [lever, rungs[rung][lever.key], rungs[rung + 1][lever.key]]
      end

      # After a new measure: the highest rung none of whose levers is harder than the dose the athlete had.
      # @return [Integer, nil] nil where even the lowest is harder
      def highest_not_harder_than(dose)
        rungs.rindex { |rung| protocol.levers.none? { |lever| lever.harder?(rung[lever.key], dose[lever.key]) } }
      end

      # @return [Integer, nil] the highest rung below with a shorter hold
      def shorter_hold_below(rung)
        key = protocol.hold_key
        (0...rung).to_a.reverse.find { |below| rungs[below][key] < rungs[rung][key] }
      end

      # @return [Boolean] no lever stands past its limit, and the hold is long enough to be one
      def offered?(dose)
        return false if dose.nil? || (protocol.holds? && dose.fetch(protocol.hold_key) < protocol.shortest_hold_s)

        protocol.levers.none? { |lever| lever.harder?(dose[lever.key], @limits[lever.key]) }
      end

      private

      # Round-robin through the levers, skipping those whose next step would pass their limit.
      def climb(start)
        rungs = [start]
        turn = 0
        while rungs.size < MOST_RUNGS && (lever = next_lever(rungs.last, turn))
          rungs << rungs.last.merge(lever.key => rungs.last[lever.key] + lever.step).freeze
          turn = protocol.levers.index { |one| one.key == lever.key } + 1
        end
        rungs
      end

      def next_lever(dose, turn)
        protocol.levers.rotate(turn).find { |lever| !lever.harder?(dose[lever.key] + lever.step, @limits[lever.key]) }
      end
    end
  end
end
