# frozen_string_literal: true

module Windlass
  module Progression
    # Where an athlete stands: a ladder, a rung on it, and the dose, which is smaller than the rung's where it was halved.
    Standing = Value.define(:ladder, :rung, :dose, :reduced) do
      # @param dose [Hash, nil] the dose they had; nil at the beginning
      # @param reduced [Boolean] that dose is half of the lowest rung's
      # @return [Standing, nil] nil where the protocol is not offered
      def self.of(protocol, measures, dose: nil, limits: {}, reduced: false)
        ladder = Ladder.new(protocol, measures, limits: limits)
        return unless ladder.offered_at_all?
        return new(ladder: ladder, rung: 0, dose: dose, reduced: true) if reduced

        rung = dose ? ladder.highest_not_harder_than(dose) : 0
        rung ? at(ladder, rung) : from_below(protocol, measures, limits, ladder, dose)
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

      # Half of the lowest rung: rounds, or minutes where the protocol has those.
      def halved
        key = protocol.halved_key
        with(rung: 0, reduced: true, dose: ladder.rungs.first.merge(key => Numbers.plain(ladder.rungs.first[key]/2r)).freeze)
      end
    end
  end
end
