# frozen_string_literal: true

module Windlass
  module Actions
    # A set that somebody did without their phone: written in as it was planned, and theirs.
    module WriteInAlone
      # @param prescription [Records::Prescription]
      # @param entries [Array<Log::Entry>] one
      # @return [Records::Session] the same, where it was sent twice
      def self.call(prescription, entries, now:)
        PastSession.call(prescription, entries, now: now).first.tap { |one| one.update!(run_by: Records::Doing.uuid) }
      end
    end
  end
end
