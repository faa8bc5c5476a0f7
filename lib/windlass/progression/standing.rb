# frozen_string_literal: true

module Windlass
  module Progression
    # Where an athlete stands: a ladder, a rung on it, and the dose, which is half of the rung's where it was reduced.
    Standing = Value.define(:ladder, :rung, :dose, :reduced) do
      # @param dose [Hash, nil] the dose they had; nil at the beginning
      # @param reduced [Boolean] that dose is half of a rung's
      # @return [Standing, nil] nil where the protocol is not offered
      def self.of(protocol, measures, dose: nil, limits: {}, reduced: false)
        ladder = Ladder.new(protocol, measures, limits: limits)
        return unless ladder.offered_at_all?
        return of(protocol, measures, dose: scaled(protocol, dose, 2), limits: limits).halved if reduced

        rung = dose ? ladder.highest_not_harder_than(dose) : 0
        rung ? at(ladder, rung) : from_below(protocol, measures, limits, ladder, dose)
      end

      # A dose with more or less of what an ease at the lowest rung halves.
      def self.scaled(protocol, dose, by)
        key = protocol.halved_key
        dose.merge(key => Numbers.plain(dose[key] * by.to_r)).freeze
      end

      def self.at(ladder, rung) = new(ladder: ladder, rung: rung, dose: ladder.rungs[rung], reduced: false)

      # The dose they had is easier than the new start: it becomes the lowest rung, unless it passes a limit.
      def self.from_below(protocol, measures, limits, ladder, dose)
        kept = Ladder.new(protocol, measures, limits: limits, from: dose)
        at(kept.offered_at_all? ? kept : ladder, 0)
      end
      private_class_method :from_below

      def protocol = ladder.protocol

      def top? = rung == ladder.top && !reduced

      def at(rung) = self.class.at(ladder, rung.clamp(0, ladder.top))

      # Half of this rung: rounds, or minutes where the protocol has those.
      def halved = with(reduced: true, dose: self.class.scaled(protocol, ladder.rungs[rung], 0.5r))
    end
  end
end
