# frozen_string_literal: true

module Windlass
  module Actions
    # Corrects what was entered wrong; what stood there before is kept, with who changed it. What a record brings with
    # it (a stop) it brings when it is corrected, too; a stop that is open already only a clinician lifts.
    module Correct
      # @param values [Hash] of the form of its kind
      # @param seen [String] what was corrected, as {Records::Record#seen_as} said it
      # @return [Records::Measure]
      # @raise [ActiveRecord::StaleObjectError] where somebody else changed it since
      def self.measure(measure, values, seen:, now:)
        columns =
          measure.control_pause? ? TakeControlPause.columns(values) : TakeMeasure.columns(measure.to_kind, values)
        change(measure, columns.merge(taken_at: taken_at(measure, values[:taken_on])), seen, now) do
          TakeMeasure.act(measure, now) unless measure.control_pause?
        end
      end

      # @param form [Forms::ScreeningForm]
      # @return [Records::Screening] of the day on which it was answered
      def self.screening(screening, form, seen:, now:)
        raise Error, "These answers can not be read. Answer the screening anew." unless screening.readable?

        change(
          screening,
          {conditions: form.conditions, guardian_consent_on: form.values[:guardian_consent_on]},
          seen,
          now
        ) { KeepScreening.mind(screening.athlete, form.conditions) if screening.newest? }
      end

      # The hour stays where the day does.
      def self.taken_at(measure, day)
        was = measure.taken_at.getlocal
        (day == was.to_date) ? was : Time.new(day.year, day.month, day.day, was.hour, was.min)
      end

      def self.change(record, columns, seen, now)
        record.transaction do
          record.changed_by_nobody_since!(seen)
          record.assign_attributes(columns)
          Records::Correction.keep(record, now: now)
          record.save!
          yield
        end
        record
      end
      private_class_method :taken_at, :change
    end
  end
end
