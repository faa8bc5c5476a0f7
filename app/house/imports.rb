# frozen_string_literal: true

require "delayed_job_active_record"

module Windlass
  # Files that are read in. What is short is read before the page answers; what is long is read behind it, by a worker:
  # checked without holding the database, written bit by bit where nobody sees it, visible in one step.
  module Imports
    # A kind is a file in this folder, and nothing else.
    KINDS = Listed.in(File.join(__dir__, "imports/kinds"), Kind, loader: ROOMS).to_h { |kind| [kind.id, kind] }.freeze

    # @param kind [Class] of {KINDS}
    # @param bytes [String]
    # @return [Kind::Outcome, Records::Import] how it ended, or where it waits
    # @raise [Error, InvalidInput] where it is short and wrong
    def self.take(account, kind, bytes, about:, now:)
      if kind.long?(bytes)
        return queued(Records::Import.keep(account, kind: kind.id, bytes: bytes, about: about, now: now,
          person_id: Records::Doing.person&.id))
      end

      reader = kind.new(account, about, now: now)
      reader.finish(reader.bring(bytes))
    end

    # What was looked at is kept; where days could be read in two ways, it is looked at once more.
    # @param order [String] the day or the month first, or nothing
    # @raise [Error] where nothing is asked
    def self.go_on(import, order:)
      import.with_lock do
        raise Error, "Nothing is asked of this file any more." unless import.state == "asks"

        asked = import.result.dig("preview", "asks_order")
        import.update!(
          state: "waiting",
          about: import.about.merge("order" => order, "look" => asked),
          done: 0,
          total: 0
        )
        queued(import)
      end
    end

    # @return [Boolean] it is stopped, or will be with its next step
    def self.stop(import, now:)
      asked = import.state == "asks"
      import.stop.tap do |stopped|
        import.reload.end_as("stopped", now: now, words: "Nothing of it was kept.") if stopped && asked
      end
    end

    # Looked at first: {.go_on} keeps it.
    # @return [Records::Import]
    def self.look(account, kind, bytes, about:, now:) =
      queued(Records::Import.keep(account, kind: kind.id, bytes: bytes, about: about.merge("look" => true), now: now,
        person_id: Records::Doing.person&.id))

    # What was read in a day ago nobody asks for any more; what was asked then nobody answers: its bytes go with it.
    def self.forget_old(now:)
      Records::Import
        .where(made_at: ...(now - Records::Import::FORGOTTEN_S))
        .where.not(state: %w[working shown])
        .each do |import|
          import.forget
          import.destroy!
        end
    end

    # @return [Records::Import]
    def self.queued(import)
      forget_old(now: import.made_at)
      Delayed::Job.enqueue(Job.new(import.id))
      import
    end

    # What the queue holds.
    Job =
      Struct.new(:import_id) do
        # One that was forgotten meanwhile is none.
        def perform = Records::Import.find_by(id: import_id)&.then { |import| Run.new(import, now: Time.now).call }
      end
  end
end
