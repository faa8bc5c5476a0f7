# frozen_string_literal: true

module Windlass
  module Actions
    # Logs a dive; the same again is corrected, and keeps what stood there. One begun too early is kept and flagged.
    # Shaking and blackouts stop all hold work until a clinician has cleared it.
    module LogDive
      STOPS = {"shaking" => :motor_loss, "blackout" => :blackout}.freeze

      # @param form [Forms::DiveForm]
      # @param seen [String, nil] of a correction: the dive as {Records::Record#seen_as} said it; nil: from the surface
      #   clock, which sends it again
      # @return [Records::Dive]
      def self.call(athlete, form, now:, seen: nil)
        athlete.transaction do
          dive =
            Records::Dive.find_or_initialize_by(uuid: form.values[:uuid]) do |one|
              one.assign_attributes(account_id: athlete.account_id, athlete: athlete)
            end
          raise Error, "This dive is somebody else's." unless dive.athlete_id == athlete.id

          dive.changed_by_nobody_since!(seen) if seen

          was = dive.signs
          dive.assign_attributes(form.columns)
          Records::Correction.keep(dive, now: now)
          dive.save!
          flag(athlete, dive.local_date)
          stop(dive, now) if was != dive.signs
          dive.reload
        end
      end

      # Which dives of a day were begun sooner than they should.
      def self.flag(athlete, date)
        dives = Records::Dive.where(athlete_id: athlete.id, local_date: date).in_order.to_a
        Water::Surface
          .rests(dives.map(&:to_core))
          .zip(dives) { |rested, dive| dive.update_columns(short: rested.short) if dive.short != rested.short }
      end

      # Where its signs are such.
      def self.stop(dive, now)
        symptom = STOPS[dive.signs] or return
        OpenStop.call(
          dive.athlete,
          "#{Progression::Symptoms.words([symptom]).capitalize} after a dive on #{Words.date(dive.local_date)}.",
          dive: dive,
          now: now
        )
      end
    end
  end
end
