# frozen_string_literal: true

module Windlass
  module Progression
    # Where an athlete stands: a ladder, a rung on it, and the dose, which is half of the rung's where it was reduced.
    Standing =
      Value.define(:ladder, :rung, :dose, :reduced) do
        # @param dose [Hash, nil] the dose they had; nil at the beginning
        # @param reduced [Boolean] that dose is half of a rung's
        # @param bounds [Hash] what else bounds the ladder: limits, from, outlook, guards, as {Ladder} takes them
        # @return [Standing, nil] nil where the protocol is not offered
        def self.of(protocol, measures, dose: nil, reduced: false, **bounds)
          ladder = Ladder.new(protocol, measures, **bounds)
          rung = dose ? rung_of(ladder, dose, reduced) : 0
          standing =
            if ladder.offered_at_all? && rung
              at(ladder, rung)
            elsif dose
              from_below(protocol, measures, bounds, ladder, reduced ? [protocol.doubled(dose), dose] : [dose])
            end
          (reduced && standing) ? standing.halved : standing
        end

        # A reduced dose is that of the lowest rung whose half it is; after a new measure there may be none.
        def self.rung_of(ladder, dose, reduced)
          return ladder.highest_not_harder_than(dose) unless reduced

          protocol = ladder.protocol
          ladder.rungs.index { |rung| protocol.same_dose?(protocol.halved(rung), dose) } ||
            ladder.highest_not_harder_than(protocol.doubled(dose))
        end

        def self.at(ladder, rung) = new(ladder: ladder, rung: rung, dose: ladder.rungs[rung], reduced: false)

        # The dose they had is easier than the new start, or than a coach allows of it: it becomes the lowest rung,
        # unless it passes a limit. Of a reduced one it is what it is the half of, where that may be.
        # @param doses [Array<Hash>] in the order in which they are tried
        def self.from_below(protocol, measures, bounds, ladder, doses)
          found =
            doses.lazy.map { |dose| Ladder.new(protocol, measures, **bounds, from: dose) }.find(&:offered_at_all?) ||
            (ladder if ladder.offered_at_all?)
          found && at(found, 0)
        end
        private_class_method :from_below, :rung_of

        def protocol = ladder.protocol

        def top? = rung == ladder.top && !reduced

        def at(rung) = self.class.at(ladder, rung.clamp(0, ladder.top))

        # So many rungs lower; half of the lowest rung is lower than any.
        def lowered(rungs) = reduced ? self : at(rung - rungs)

        # @return [Boolean] some lever is harder than there
        def harder?(other) = protocol.levers.any? { |lever| lever.harder?(lever.value(dose), lever.value(other.dose)) }

        # Half of this rung: rounds, or minutes where the protocol has those.
        def halved = with(reduced: true, dose: protocol.halved(ladder.rungs[rung]))

        # A lowest rung of one round has no half.
        def halvable? = !reduced && !protocol.same_dose?(protocol.halved(dose), dose)
      end
  end
end
