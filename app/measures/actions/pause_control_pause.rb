# frozen_string_literal: true

module Windlass
  module Actions
    # The control pause is asked of somebody no more until a day. Doses that are computed from it stay as they are.
    module PauseControlPause
      # @param athlete [Records::Athlete]
      # @param until_on [Date] from when on Today asks again
      def self.call(athlete, until_on:)
        athlete.with_lock { athlete.update!(control_pause_use: "paused", control_pause_again_on: until_on) }
      end
    end
  end
end
