# frozen_string_literal: true

require "securerandom"

module Windlass
  module Actions
    # Puts today's dose on the deck. A session of today that is planned or on the deck is taken up again, so that a double
    # click or the back button makes no second one.
    module PlanSession
      # @return [Records::Session]
      # @raise [Error] where a suspension binds
      def self.call(prescription, now:)
        refuse(prescription, now)
        standing = prescription.to_standing or raise Error, "#{prescription.to_protocol.name} needs a measure first."
        planned(prescription, standing, now) || create(prescription, standing, now)
      end

      def self.refuse(prescription, now)
        hindrance = prescription.hindrance_on(now.to_date)
        raise Error, hindrance if hindrance
      end

      def self.planned(prescription, standing, now)
        prescription.sessions.where(state: %w[planned running], local_date: now.to_date).order(:id).reverse
          .find { |session| session.to_dose == standing.dose }
      end

      def self.create(prescription, standing, now)
        athlete = prescription.athlete
        timeline = standing.protocol.compile(standing.dose)
        prescription.sessions.create!(account_id: athlete.account_id, athlete: athlete, uuid: SecureRandom.uuid,
          protocol: prescription.protocol, dose: standing.dose, rung: standing.rung, reduced: standing.reduced,
          segments: timeline.segments.map(&:to_h_plain), planned_at: now, local_date: now.to_date,
          forecast: Forecasts.of(athlete, timeline, on: now.to_date, trace: false)&.then { |one| Records::Session.forecast_columns(one) })
      end
      private_class_method :refuse, :planned, :create
    end
  end
end
