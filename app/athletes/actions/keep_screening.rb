# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps a day's answers. They act at once: what they block is not put on the deck any more, and what they say of the
    # control pause is minded in its readings.
    module KeepScreening
      # @param conditions [Array<String>] answered with yes
      # @param uuid [String, nil] of the form: a double click keeps one
      # @return [Records::Screening]
      def self.call(athlete, conditions, guardian_consent_on:, now:, uuid: nil)
        Consents.required!(athlete, now.to_date)
        Records::Record.once(athlete.screenings, uuid) do
          mind(athlete, conditions)
          athlete.screenings.create!(
            account_id: athlete.account_id, answered_on: now.to_date, conditions: conditions,
            guardian_consent_on: guardian_consent_on, uuid: uuid
          )
        end
      end

      # What the newest answers say of the control pause.
      def self.mind(athlete, conditions)
        nervous = conditions.include?("nervous")
        # The measure is not chased with somebody who fears it; the coach may take it up again.
        athlete.control_pause_use = "paused" if nervous && !athlete.nervous
        athlete.update!(nervous: nervous, sleep_signs: conditions.include?("sleep_signs"))
      end

      # @param values [Hash] of Forms::ScreeningClearanceForm
      # @return [Records::Clearance]
      def self.clear(athlete, values)
        Records::Record.once(athlete.clearances, values[:uuid]) do
          athlete.clearances.create!(values.merge(account_id: athlete.account_id))
        end
      end
    end
  end
end
