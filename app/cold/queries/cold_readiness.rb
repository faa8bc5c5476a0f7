# frozen_string_literal: true

module Windlass
  module Queries
    # Whether somebody may go into the cold now.
    module ColdReadiness
      # @return [Progression::Ready]
      def self.of(athlete, watcher:, now:)
        Progression::Readiness.of(
          Situations.of([athlete], now: now).of(athlete.id, Progression::COLD).with(watcher: watcher)
        )
      end
    end
  end
end
