# frozen_string_literal: true

module Windlass
  module Progression
    # Cuts a ladder where a rung needs more than the screening leaves open: retention after mere breathing, locks; and
    # at 16 and 17 holds longer than half of the best. What the whole family needs is asked before every session.
    ScreenGuard =
      Value.define(:screen, :on, :maximal_hold_s) do
        # @param screen [Screening::Screen]
        # @param on [Date]
        # @param maximal_hold_s [Numeric, nil]
        # @return [String, nil]
        def objection(protocol, dose)
          finding =
            (protocol.columns(dose) - protocol.asked_columns)
              .map { |column| screen.finding(column, on: on) }
              .reject(&:allows?)
              .first
          return finding.reasons.first if finding

          # Asked of the few only: it may take compiling the dose.
          if screen.age < Screening::Ages::ADULT
            Screening::Ages.too_long(screen.age, protocol.longest_hold_s(dose), maximal_hold_s)&.text
          end
        end
      end
  end
end
