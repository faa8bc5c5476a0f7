# frozen_string_literal: true

module Windlass
  module Actions
    # A letter to a clinician as a link. It is shown once, answered once, and dead after thirty days.
    module AskClinician
      # @param by [Records::Person]
      # @return [String] the secret of the link
      def self.call(athlete, by:, now:)
        SecureRandom.urlsafe_base64(24).tap do |secret|
          Records::Letter.create!(
            account_id: athlete.account_id,
            athlete: athlete,
            digest: Records::Letter.digested(secret),
            made_by: by.id,
            made_at: now,
            ends_at: now + Records::Letter::GOOD_DAYS * 86_400
          )
        end
      end

      # @param values [Hash] of Forms::ScreeningClearanceForm
      # @raise [ActiveRecord::RecordNotFound] where somebody answered meanwhile
      def self.answer(letter, values, now:)
        kept = values.slice(:clinician, :given_on, :expires_on, :families).transform_values(&:as_json)
        answered = Records::Letter.where(id: letter.id, answered_at: nil).update_all(answered_at: now, answer: kept)
        raise ActiveRecord::RecordNotFound unless answered == 1
      end

      # The coach's press: the clearance is written down, and it lifts the stops that stand.
      # @param letter [Records::Letter] that was answered
      def self.take(letter, today:, now:)
        form = Forms::ScreeningClearanceForm.parse(letter.answer, today: today)
        raise Error, "The answer is too old by now: #{form.in_short}." unless form.valid?

        letter.with_lock do
          raise Error, "That answer was taken over already." if letter.taken_at

          KeepScreening.clear(letter.athlete, form.values)
          letter.athlete.suspensions.select { |one| one.stop? && one.lifted_at.nil? }.each do |stop|
            ClearStop.call(stop, {clinician: form.values[:clinician], cleared_on: form.values[:given_on]}, now: now)
          end
          letter.update!(taken_at: now)
        end
      end
    end
  end
end
