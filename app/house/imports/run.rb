# frozen_string_literal: true

require "delayed_job_active_record"

module Windlass
  module Imports
    # Reads in what waits, and writes down how it ended. Begun anew after the process was killed, it goes on where all
    # was visible already, and begins from the start where it was not.
    class Run
      # @param import [Records::Import]
      # @param now [Time]
      # @param log [IO] gets what nobody expected
      def initialize(import, now:, log: $stderr)
        @import = import
        @now = now
        @log = log
        @progress = Reported.new(import)
      end

      def call
        return if @import.ended?
        return finish if @import.state == "shown"
        return stopped if @import.state == "stopping"

        clear_left
        bring
      rescue Stopped
        stopped
      rescue InvalidInput => error
        @import.end_as("refused", now: Time.now, words: error.faults.join("\n"))
      rescue Error, ActiveRecord::RecordNotFound => error
        @import.end_as("refused", now: Time.now, words: error.message)
      rescue => error
        # The database is busy or away: the queue tries again by itself.
        raise if ErrorPages.passing?(error)

        fail_with(error)
      end

      private

      def kind
        @kind ||=
          KINDS.fetch(@import.kind).new(
            Sight.while_done(@import.account, @import.person_id, @now), @import.about, now: @now, progress: @progress
          )
      end

      def bring
        Records::Import.where(id: @import.id, state: "waiting").update_all(state: "working")
        @import.reload
        return ask if @import.about["look"]

        kind.bring(@import.bytes)
        finish
      end

      def ask
        preview = kind.preview(@import.bytes)
        @import.update!(state: "asks", result: {"preview" => preview.to_h})
      end

      def finish
        outcome = kind.finish(@import.reload.result.fetch("left"))
        @import.end_as("done", now: Time.now, words: outcome.words, path: outcome.path)
      end

      def stopped = @import.end_as("stopped", now: Time.now, words: "It was stopped: nothing of it was kept.")

      # What it had written when it was killed nobody has seen.
      def clear_left
        account = @import.staging_id && Records::Account.staging.find_by(id: @import.staging_id)
        Archive::Staging.new(account).clear if account
      end

      def fail_with(error)
        id = SecureRandom.alphanumeric(8).upcase
        @log.puts "#{Time.now.utc.iso8601} fault #{id} import #{@import.kind}\n#{FaultLog.said(error)}"
        kept =
          if @import.reload.state == "shown"
            "All of it is kept, but something failed afterwards"
          else
            "Something failed here, and nothing of it was kept"
          end
        @import.end_as("failed", now: Time.now, words: "#{kept}. Its name in the log is #{id}.")
      end
    end
  end
end
