# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps a control pause. The form's uuid makes a double click one measure.
    module TakeControlPause
      # @param values [Hash] of Forms::ControlPauseForm
      # @return [Records::Measure]
      def self.call(athlete, values, now:)
        Consents.required!(athlete, now.to_date)
        Records::Record.once(athlete.measures, values[:uuid]) do
          Records::Measure.create!(whole(athlete, values, at: taken_at(values, now)))
        end
      end

      # @return [Hash] of a new measure
      def self.whole(athlete, values, at:)
        {
          account_id: athlete.account_id,
          athlete_id: athlete.id,
          uuid: values[:uuid],
          kind: "control_pause",
          taken_at: at,
          caution: caution(athlete, at),
          **columns(values)
        }
      end

      # Taken while hold work was stopped, it is kept with that caution, and no dose is computed from it.
      # @return [String] empty where nothing stood against it
      def self.caution(athlete, at) =
        athlete.stop_on(at.to_date)&.then { |stop| stop.reason if stop.opened_at <= at }.to_s

      # One score a morning: another one of the same day corrects it, and what stood there before is kept.
      # @return [Records::Measure]
      def self.morning(athlete, values, now:)
        day = values[:taken_on]
        known =
          athlete
            .measures
            .where(kind: "control_pause", on_waking: true, taken_at: day.to_time...(day + 1).to_time)
            .order(:taken_at)
            .last
        return call(athlete, values, now: now) if known.nil? || known.uuid == values[:uuid] || !values[:on_waking]

        Correct.measure(known, values, seen: known.seen_as, now: now)
      end

      # @return [Hash] what the form says
      def self.columns(values)
        {value: values[:seconds], note: values[:note].to_s, **values.slice(:on_waking, :ended_by, :first_breath)}
      end

      # A score written in later stands at an hour at which such scores are taken.
      def self.taken_at(values, now)
        day = values[:taken_on]
        return now if day == now.to_date

        Time.new(day.year, day.month, day.day, values[:on_waking] ? 7 : 12)
      end
      private_class_method :caution
    end
  end
end
