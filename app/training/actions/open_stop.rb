# frozen_string_literal: true

module Windlass
  module Actions
    # Opens a stop: all hold work waits for a clinician. Where one from the same thing is open already, it says both.
    module OpenStop
      STOPPED = "No hold work until a clinician has cleared it."

      # @param what [String] a sentence
      # @param from [Hash] session:, measure:, dive: or complaint:
      # @return [Records::Suspension]
      def self.call(athlete, what, now:, **from)
        open = athlete.suspensions.find_by(kind: "stop", lifted_at: nil, **from)
        if open
          return open.tap { |stop| stop.update!(reason: "#{open.reason.delete_suffix(STOPPED)}#{what} #{STOPPED}") }
        end

        athlete.suspensions.create!(
          account_id: athlete.account_id,
          kind: "stop",
          opened_at: now,
          opened_by: Records::Doing.uuid,
          reason: "#{what} #{STOPPED}",
          **from
        )
      end
    end
  end
end
