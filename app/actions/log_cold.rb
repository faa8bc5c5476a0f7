# frozen_string_literal: true

module Windlass
  module Actions
    # Logs a time in the cold. The form's uuid makes a double click one.
    module LogCold
      # @param values [Hash] of Forms::ColdForm
      # @return [Records::Cold]
      # @raise [Error] where the athlete is not ready for it today, or the stage is not open yet
      def self.call(athlete, values, now:)
        Records::Record.once(athlete.colds, values[:uuid]) { keep(athlete, values, now) }
      end

      def self.keep(athlete, values, now)
        stage = values[:stage] - 1
        open = Cold.open_stage(athlete.colds.map(&:to_core))
        raise Error, "Stage #{values[:stage]} opens once stage #{open + 1} was calm #{Cold::CALM_TIMES} times in a row." if stage > open

        refuse(athlete, values, now) if values[:taken_on] == now.to_date
        athlete.colds.create!(account_id: athlete.account_id, stage: stage, local_date: values[:taken_on], ended_at: ended_at(values, now), note: values[:note].to_s,
          **values.slice(:uuid, :minutes, :calm, :why_out, :watcher))
      end

      # @return [Progression::Ready]
      def self.ready(athlete, watcher:, now:)
        Progression::Readiness.of(Situations.of([athlete], now: now).of(athlete.id, Progression::COLD).with(watcher: watcher))
      end

      def self.refuse(athlete, values, now)
        ready = ready(athlete, watcher: values[:watcher], now: now)
        raise Error, ready.reasons.flat_map { |reason| [reason.text, reason.lifts] }.compact.join(" ") unless ready.go?
      end

      # One that is written in later stands at noon of its day.
      def self.ended_at(values, now)
        day = values[:taken_on]
        (day == now.to_date) ? now : Time.new(day.year, day.month, day.day, 12)
      end
      private_class_method :keep, :refuse, :ended_at
    end
  end
end
