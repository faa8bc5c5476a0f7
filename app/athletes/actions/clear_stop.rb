# frozen_string_literal: true

module Windlass
  module Actions
    # A clinician's clearance lifts a stop: all of the athlete's prescriptions begin at the bottom, with new measures.
    module ClearStop
      # @param values [Hash] of Forms::ClearanceForm
      def self.call(suspension, values, now:)
        suspension.transaction do
          suspension.update!(
            clinician: values[:clinician], cleared_on: values[:cleared_on], lifted_at: now,
            lifted_by: Records::Doing.uuid
          )
          suspension
            .athlete
            .prescriptions
            .open
            .select { |one| one.to_protocol.holds? }
            .each { |one| one.fall_quiet(now) }
        end
      end
    end
  end
end
