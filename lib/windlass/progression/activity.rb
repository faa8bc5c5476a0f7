# frozen_string_literal: true

module Windlass
  module Progression
    # What an athlete may be up to that is no protocol of the library; asked about its readiness as those are.
    Activity =
      Value.define(
        :id, :name, :column, holds: true, over_breathing: false, strenuous: false, once_a_day: false, days_running: nil,
        watched: false, least_age: 0, least_control_pause_s: 0
      ) do
        alias_method :holds?, :holds
        alias_method :over_breathing?, :over_breathing
        alias_method :strenuous?, :strenuous
        alias_method :once_a_day?, :once_a_day
        alias_method :watched?, :watched

        def bound(_dose) = self

        def spares?(_dose) = false

        def daily?(_dose, _measures) = false

        def family_ids = [id]

        # What has no dose is judged by nobody; that it ran is enough.
        def holds_in?(_dose) = holds

        def judged_by_minutes?(_dose) = true

        def judged = :holds

        # What the table of conditions can't say.
        # @return [Array<Screening::Refusal>] why it is not for this athlete
        def refusals(screen, measures)
          pause_s = measures&.control_pause_s
          [
            (Screening::Ages.too_young(least_age) if screen.age < least_age),
            (too_short if pause_s && pause_s < least_control_pause_s)
          ].compact
        end

        private

        def too_short =
          Screening::Refusal.new(
            state: :blocked,
            text: "Not with a control pause under #{least_control_pause_s} s.",
            lifts: "Until a control pause of #{least_control_pause_s} s or more."
          )
      end
  end
end
