# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # Why a prescription is not there to be run, and whether it may be again.
    class PrescriptionState
      extend Forwardable

      # @param prescription [Records::Prescription]
      # @param values [Measures::Values]
      # @param today [Date]
      def initialize(prescription, values, today)
        @prescription = prescription
        @values = values
        @today = today
      end

      def_delegators :@prescription, :quiet?, :over?

      # @return [Boolean] clean days that they did alone move by the rule
      def moves_itself? = !@prescription.moves_by.empty?

      # @return [Boolean] for one session, beside a ladder
      def once? = @prescription.run_once

      # Fallen quiet, and measured since.
      def resumable? = quiet? && Queries::Offer.measured_anew?(@prescription)

      # @return [Boolean] ended, and nothing of its family runs: it may be taken up again
      def reopenable? =
        over? && !once? &&
          @prescription.athlete.prescriptions.open.where(protocol: @prescription.protocol).none?

      # @param dosed [Boolean] there is a dose today
      # @return [String, nil] why it is not there to be run at all
      def hindrance(dosed:)
        return quiet_words if quiet?
        return @prescription.over_words if over?

        objection unless dosed
      end

      private

      def quiet_words =
        if resumable?
          "A new measure has been taken: it may begin anew, at the lowest rung."
        else
          @prescription.quiet_words
        end

      def objection
        Queries::Offer.objection(
          @prescription.athlete,
          @prescription.to_protocol,
          on: @today,
          values: @values,
          from: Records::Record.dose(@prescription.own_dose),
          limits: Records::Record.dose(@prescription.limits)
        )
      end
    end
  end
end
