# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps a measure of any kind but the control pause. The form's uuid makes a double click one measure.
    module TakeMeasure
      # @param kind [Measures::Kind]
      # @param values [Hash] of a form of that kind
      # @return [Records::Measure]
      def self.call(athlete, kind, values, now:)
        Records::Record.once(athlete.measures, values[:uuid]) { keep(athlete, kind, values, now: now) }
      end

      # What was taken is kept, whatever readiness would have said: then with its caution, and no dose is computed from
      # it.
      # @return [Records::Measure]
      def self.keep(athlete, kind, values, now:)
        measure = Records::Measure.new(whole(athlete, kind, values, at: taken_at(values, now)))
        Consents.required!(athlete, now.to_date) unless kind.stop(measure.to_taken)
        athlete.transaction { measure.tap(&:save!).tap { act(measure, now) } }
      end

      # What a measure brings with it: a pulse, a stop.
      def self.act(measure, now)
        athlete = measure.athlete
        pulse = measure.details["pulse"] || measure.details[:pulse]
        athlete.update!(resting_pulse: pulse.round) if pulse
        stop = measure.to_kind.stop(measure.to_taken)
        if stop && athlete.suspensions.none? { |one| one.measure_id == measure.id }
          OpenStop.call(athlete, stop, measure: measure, now: now)
        end
      end

      # What stands in the way of taking it now. Who watches is asked with the measure itself.
      # @return [Progression::Ready, nil] nil where there is nothing to be ready for
      def self.ready(athlete, kind, watcher:, now:)
        return if kind.activity.nil?

        situation = Situations.of([athlete], now: now).of(athlete.id, kind.activity)
        Progression::Readiness.of(situation.with(watcher: watcher))
      end

      # @return [Hash] of a new measure
      def self.whole(athlete, kind, values, at:)
        {
          account_id: athlete.account_id,
          athlete_id: athlete.id,
          uuid: values[:uuid],
          taken_at: at,
          caution: caution(athlete, kind, at),
          **columns(kind, values)
        }
      end

      def self.caution(athlete, kind, at) = kind.activity ? Queries::Caution.of(athlete, kind.activity, at: at) : ""

      # @return [Hash] what a form says of a measure of that kind
      def self.columns(kind, values)
        details = values.slice(*kind.fields.map(&:key)).compact
        {
          kind: kind.id,
          value: details.fetch(kind.value) { kind.class.done(details) },
          details: details,
          note: values[:note].to_s
        }
      end

      # A measure written in later stands at noon of its day.
      def self.taken_at(values, now)
        day = values[:taken_on]
        (day == now.to_date) ? now : Time.new(day.year, day.month, day.day, 12)
      end
      private_class_method :caution
    end
  end
end
