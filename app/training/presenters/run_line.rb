# frozen_string_literal: true

module Windlass
  module Presenters
    # The breath line of a session that was run, over its plan.
    module RunLine
      DrawnRound = Value.define(:number, :held_ms, :first_urge_ms, :first_breath)
      private_constant :DrawnRound

      # @param session [Records::Session]
      # @param held [Array<Records::Round>] its holds
      # @param changed [Boolean] something was done otherwise than planned, by a key for it
      # @return [BreathLine]
      def self.of(session, held, changed:)
        run = run(session, changed)
        BreathLine.new(
          run,
          session.to_body,
          title: "#{session.prescription.name}, #{session.athlete.name}, as it was done",
          rounds: held.map { |round| drawn(round) },
          forecast: Forecasts.of(session.athlete, run, on: session.local_date, posture: session.posture.to_sym)
        )
      end

      # Numbered as the holds of the drawing are.
      def self.drawn(round) =
        DrawnRound.new(number: round.hold, **round.slice(:held_ms, :first_urge_ms, :first_breath).symbolize_keys)

      # Parts without a length of their own are drawn as long as they took; all others as they were planned.
      def self.run(session, changed)
        plan = session.to_paced
        (plan.segments.any?(&:open?) || changed) ? session.to_run : plan
      end
      private_class_method :drawn, :run
    end
  end
end
