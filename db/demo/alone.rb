# frozen_string_literal: true

require_relative "../../app/rooms"

module Windlass
  module Demo
    # Those of Kestrel Quay who have a phone of their own, and what their last fortnight alone tells.
    class Alone
      DAYS = 13
      BOUND_DAYS_AGO = 20
      # Who trains by themselves day by day, and whose plain days move by the rule.
      REGULAR = "Amara Lisowska"
      # Who does one more than was planned, and says so.
      TOO_MUCH = "Priya Castellanos"
      # Who is about to be away from any network: the coming week lies on the phone.
      OFFLINE = "Jun Aldworth"
      # Whose guardian agreed, and has a link of their own.
      UNDER_AGE = "Beatrix Nwosu"
      # Who is their own coach, too.
      ALONE = "Bashir Rahimi"
      FELT_BAD = "Yasmin Delacourt"
      LEFT = "Lars Petrosyan"
      ALL = [REGULAR, TOO_MUCH, OFFLINE, UNDER_AGE, ALONE, FELT_BAD, LEFT].freeze

      def self.load(coach, now:) = new(coach, now).load

      def initialize(coach, now)
        @coach = coach
        @now = now
      end

      def load
        ALL.each { |name| Records::Athlete.find_by(name: name)&.then { |athlete| give_phone(athlete) } }
        told(REGULAR) { |athlete| moved_by_rule(athlete) }
        told(TOO_MUCH) { |athlete| did_one_more(athlete) }
        told(OFFLINE) { |athlete| Actions::LaySets.call(athlete, now: @now) }
        told(UNDER_AGE) { |athlete|
          Actions::KeepConsent.link(athlete, by: @coach, now: @now - BOUND_DAYS_AGO * 86_400)
        }
        told(FELT_BAD) { |athlete| felt_bad(athlete) }
        told(LEFT) { |athlete| athlete.update!(left_on: @now.to_date) }
      end

      private

      def told(name) = Records::Athlete.find_by(name: name)&.then { |athlete| yield(athlete) }

      # @return [ActiveRecord::Relation] sets of the fortnight
      def sets(athlete) =
        Records::Session.kept.where(athlete_id: athlete.id, local_date: (@now.to_date - DAYS)..@now.to_date)

      def give_phone(athlete)
        bound = @now - BOUND_DAYS_AGO * 86_400
        Actions::BindDevice.link(athlete, by: @coach, now: bound)
        device = Records::Device.last
        Actions::BindDevice.call(device, name: "Safari on a phone", now: bound)
        sets(athlete).update_all(run_by: device.reload.person.uuid)
      end

      def moved_by_rule(athlete)
        athlete.prescriptions.open.each { |one| one.update!(moves_by: @coach.uuid) }
        Records::Move
          .where(prescription_id: athlete.prescription_ids, local_date: (@now.to_date - DAYS)..)
          .where("verdict = decided").update_all(decided_by: @coach.uuid, by_rule: true)
      end

      def did_one_more(athlete)
        session = sets(athlete).in_order.last or return
        said = {effort: 9.0, symptoms: [], note: "One more in the evening. It felt easy.", rounds: {}}
        Actions::RateSession.call(session, said, now: @now)
      end

      def felt_bad(athlete)
        Actions::TellComplaint.call(
          athlete,
          {uuid: SecureRandom.uuid, symptom: "nausea", strength: 2, felt_on: @now.to_date - 1,
           note: "After the evening set."},
          now: @now - 10 * 3600
        )
      end
    end
  end
end
