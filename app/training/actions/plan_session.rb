# frozen_string_literal: true

require "securerandom"

module Windlass
  module Actions
    # Puts today's dose on the deck. A session of today that is on the deck or planned is taken up again, so that a
    # double click or the back button makes no second one.
    module PlanSession
      # @param situations [Situations] where several are planned, of all of them
      # @return [Records::Session]
      # @raise [Error] where the athlete is not ready for it, with what lifts it
      def self.call(prescription, now:, situations: Situations.of([prescription.athlete], now: now))
        Consents.required!(prescription.athlete, now.to_date)
        raise Error, prescription.quiet_words if prescription.quiet?
        raise Error, prescription.over_words if prescription.over?

        standing = standing(prescription, now, values: situations.values(prescription.athlete_id))
        ready = situations.ready(prescription.athlete_id, standing)
        unless ready.go?
          raise Error, ready.reasons.reject(&:go?).flat_map { |reason| [reason.text, reason.lifts] }.compact.join(" ")
        end

        taken_up(prescription, ready, now) || plan(prescription, columns(prescription, ready, standing, now), now)
      end

      # Reads what {.call} asks of each of several athletes, for all of them at once.
      # @return [Situations]
      def self.situations_of(athletes, now:)
        Records::Record.read_along(athletes, %i[consents screenings clearances])
        Situations.of(athletes, now: now)
      end

      # @param sessions [Array<Records::Session>] with their prescriptions and athletes
      # @return [Records::Session, nil] the first that is planned and not begun, and of which what was true then is not
      #   so now: a screening, a stop, an answer
      def self.outdated(sessions, now:)
        planned = sessions.select { |session| session.state == "planned" }
        planned.each { |session| session.prescription.association(:athlete).target = session.athlete }
        situations = Situations.of(planned.map(&:athlete).uniq, now: now)
        planned.find { |session| outdated?(session.prescription, situations, now) }
      end

      def self.outdated?(prescription, situations, now)
        prescription.quiet? || prescription.over? ||
          !situations.ready(
            prescription.athlete_id,
            standing(prescription, now, values: situations.values(prescription.athlete_id))
          ).go?
      rescue Error
        true
      end

      def self.standing(prescription, now, values: prescription.athlete.to_values)
        prescription.to_standing(on: now.to_date, values: values) or
          raise Error, prescription.to_protocol.lacking(values) || "The measures do not offer this protocol any more."
      end

      def self.taken_up(prescription, ready, now)
        today = Records::Session.where(prescription: prescription, local_date: now.to_date).order(:id).reverse
        today.find { |session| session.state == "running" } ||
          today.find { |session| session.state == "planned" && session.to_dose == ready.dose }
      end

      # One is planned a day, not two: where another dose was planned and not begun, it is this one now. The database
      # has the last word where two ask at once: who comes second gets what the first one planned.
      def self.plan(prescription, columns, now)
        prescription.transaction(requires_new: true) do
          planned = prescription.sessions.find_by(state: "planned", local_date: now.to_date)
          planned&.update!(columns)
          planned || prescription.sessions.create!(columns.merge(uuid: SecureRandom.uuid))
        end
      rescue ActiveRecord::RecordNotUnique, ActiveRecord::StaleObjectError
        prescription.sessions.find_by!(state: %w[planned running], local_date: now.to_date)
      end

      # @param standing [Progression::Standing] where they stood; who comes back is put lower
      # @return [Hash] of a session that is planned at that time
      def self.columns(prescription, ready, standing, now)
        of_dose(prescription, ready.dose, on: now.to_date).merge(
          rung: ready.standing.rung,
          reduced: ready.standing.reduced,
          light: ready.light?,
          planned_at: now,
          lowered_to: (ready.standing.dose if ready.standing.dose != standing.dose)
        )
      end

      # What was done elsewhere, with the dose that was prescribed on that day.
      # @return [Hash] of a session
      def self.written(prescription, on:, now:)
        dose =
          Records::Record.dose(
            prescription.moves.kept.where(noted: false, local_date: (on + 1)..).order(:local_date).first&.dose_before ||
              prescription.dose
          )
        of_dose(prescription, dose, on: on).merge(
          rung: prescription.to_standing(on: now.to_date)&.rung || 0,
          reduced: prescription.reduced,
          light: false,
          planned_at: now
        )
      end

      def self.of_dose(prescription, dose, on:)
        athlete = prescription.athlete
        protocol = prescription.to_protocol
        timeline = timeline(athlete, protocol, dose, on)
        forecast = Forecasts.of(athlete, timeline, on: on, posture: protocol.posture, trace: false)
        {
          account_id: athlete.account_id,
          athlete: athlete,
          protocol: prescription.protocol,
          dose: dose,
          local_date: on,
          posture: protocol.posture,
          segments: timeline.segments.map(&:to_h_plain),
          forecast: forecast && Records::Session.forecast_columns(forecast),
          washout: forecast&.holds&.map(&:co2_washout)&.max
        }
      end

      # What ends by hand has a latest end, where the model can speak of the athlete.
      def self.timeline(athlete, protocol, dose, on)
        body = athlete.to_body(on: on, posture: protocol.posture)
        compiled = protocol.compile(dose, body)
        Forecasts.objection(athlete, on: on) ? compiled : protocol.bounded(compiled, dose, body)
      end
      private_class_method :outdated?, :standing, :taken_up, :plan, :of_dose, :timeline
    end
  end
end
