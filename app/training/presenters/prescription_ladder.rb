# frozen_string_literal: true

module Windlass
  module Presenters
    # A prescription's place on its ladder: how far each lever goes, and where it may begin higher.
    class PrescriptionLadder
      # @param prescription [Records::Prescription]
      # @param standing [Progression::Standing, nil]
      # @param values [Measures::Values]
      def initialize(prescription, standing, values)
        @prescription = prescription
        @protocol = prescription.to_protocol
        @standing = standing
        @values = values
      end

      # @return [Boolean] there is something that it may move on
      def laddered? = @protocol.laddered? && !@prescription.run_once

      def ladder = LadderLine.new(@standing)

      # @return [Array<Array(Protocols::Lever, String)>] levers, and how far the trade's own limit goes
      def limits
        dose = Records::Record.dose(@prescription.dose)
        @protocol.levers.map do |lever|
          [lever, Forms::TypedNumbers.show(lever.limit_for(@values, @prescription.athlete.switches, dose: dose), lever)]
        end
      end

      # @return [Array<Array(Integer, String)>] rungs that may be begun on, before anything was run
      def startable
        return [] unless @standing && @protocol.laddered? && Queries::StillOpen.untouched?(@prescription)

        @standing
          .ladder
          .rungs
          .map
          .with_index(1) { |dose, number| [number, [@protocol.in_short(dose), change_to(number)].compact.join("; ")] }
      end

      # @return [String, nil] why it did not begin on the lowest rung
      def started_because = @prescription.started_because.then { |words| "Begun higher: #{words}" unless words.empty? }

      private

      # @return [String, nil] the one change that leads to a rung
      def change_to(number)
        ladder = @standing.ladder
        lever, _, value = ladder.change_after(number - 2) if number > 1
        if lever && @protocol.in_short(ladder.rungs[0]) == @protocol.in_short(ladder.rungs[1])
          "#{lever.words} #{Words.number(value)}"
        end
      end
    end
  end
end
