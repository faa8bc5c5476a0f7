# frozen_string_literal: true

module Windlass
  module Actions
    # A set that lay on a phone was begun there: it becomes a session, under the number that the phone gave it. What the
    # coach changed meanwhile is not what was run: that is kept with its caution, and moves nothing.
    module BeginLaidSet
      CHANGED = "It was changed before it was begun, and the phone did not know."
      MOVED = "It had moved on by the time that this came home."
      ENDED = "It had been ended before it was begun, and the phone did not know."

      # @param laid [Records::LaidSet]
      # @param uuid [String]
      # @param events [Array<Hash>] of {Forms::JournalForm}
      # @return [Records::Session]
      def self.call(laid, uuid, events, now:)
        Records::Session.find_by(uuid: uuid) || begin_it(laid, uuid, events, now)
      rescue ActiveRecord::RecordNotUnique
        Records::Session.find_by!(uuid: uuid)
      end

      def self.begin_it(laid, uuid, events, now)
        at = began(laid, events, now)
        laid.to_session.tap do |session|
          session.update!(
            uuid: uuid, laid_set_uuid: laid.uuid, state: "running", planned_at: at, started_at: at,
            run_by: Records::Doing.uuid, caution: caution(laid, at)
          )
        end
      end

      # On its own day, whatever the clock of the phone says.
      def self.began(laid, events, now)
        at = now - events.map { |event| event[:ago_ms].to_i }.max.to_i / 1000.0
        (at.to_date == laid.local_date) ? at : laid.noon
      end

      def self.caution(laid, at)
        prescription = laid.prescription
        return ENDED if prescription.over? || prescription.quiet?
        return moved_since?(prescription, at) ? MOVED : CHANGED if changed?(laid, prescription)

        standing = prescription.to_standing(on: laid.local_date)
        Queries::Caution.of(laid.athlete, prescription.to_protocol, at: at, standing: standing)
      end

      # A day's lighter dose is none that a coach changed.
      def self.changed?(laid, prescription) =
        !laid.light && laid.lowered_to.nil? &&
          Records::Record.dose(laid.dose) != Records::Record.dose(prescription.dose)

      # What was decided after it was begun, of an earlier day for one, was not changed before.
      def self.moved_since?(prescription, at) = prescription.moves.kept.exists?(decided_at: at..)
      private_class_method :begin_it, :began, :caution, :changed?, :moved_since?
    end
  end
end
