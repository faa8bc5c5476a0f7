# frozen_string_literal: true

module Windlass
  module Imports
    # Progress that a page shows, and that a coach can stop.
    class Reported < Progress
      # How often it is written down, and looked whether to go on.
      EVERY_S = 0.3
      # As long as the last step took, and no longer, it waits for others: who runs at a low priority would be stopped
      # in the middle of a write, and everybody behind it.
      MOST_PAUSE_S = 0.1

      # @param import [Records::Import]
      # @param clock [#call] seconds that never go back
      # @param pause [#call] gets seconds
      def initialize(import, clock: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }, pause: method(:sleep))
        super()
        @import = import
        @clock = clock
        @pause = pause
        @said_at = @stepped_at = clock.call
      end

      def begin(doing, total)
        @done = 0
        say(doing: doing, done: 0, total: total)
      end

      def step(count = 1)
        @done += count
        say(done: @done) if @clock.call - @said_at >= EVERY_S
        @pause.call([@clock.call - @stepped_at, MOST_PAUSE_S].min)
        @stepped_at = @clock.call
      end

      def stages(account) = @import.update_columns(staging_id: account.id)

      def show
        @import.with_lock do
          stop_if_asked
          yield.tap { |left| @import.update!(state: "shown", result: {"left" => left}, doing: "", total: 0) }
        end
      end

      private

      def say(**columns)
        @said_at = @clock.call
        @import.update_columns(columns)
        stop_if_asked
      end

      def stop_if_asked
        if Records::Import.where(id: @import.id).pick(:state) == "stopping"
          raise Stopped, "It was stopped: nothing of it was kept."
        end
      end
    end
  end
end
