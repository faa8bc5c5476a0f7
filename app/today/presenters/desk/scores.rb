# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # Who trains and has no morning score yet: one line for all of them.
      class Scores
        # @param ground [Ground]
        def initialize(ground)
          @ground = ground
        end

        # @return [Array<Records::Athlete>] by name; nobody who is stopped
        def missing
          scored =
            Records::Measure
              .where(
                athlete_id: @ground.training_ids,
                kind: "control_pause",
                on_waking: true,
                taken_at: @ground.midnight..
              )
              .distinct
              .pluck(:athlete_id)
              .to_set
          @ground.athletes.reject do |athlete|
            scored.include?(athlete.id) || !@ground.training_ids.include?(athlete.id) ||
              athlete.control_pause_use == "paused" || BeforeAPause.new(athlete, today: @ground.today).stop
          end
        end
      end
    end
  end
end
