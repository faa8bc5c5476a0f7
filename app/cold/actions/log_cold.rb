# frozen_string_literal: true

module Windlass
  module Actions
    # Logs a time in the cold, with its caution. The form's uuid makes a double click one.
    module LogCold
      # @param values [Hash] of Forms::ColdForm
      # @return [Records::Cold]
      def self.call(athlete, values, now:)
        Consents.required!(athlete, now.to_date)
        Records::Record.once(athlete.colds, values[:uuid]) { keep(athlete, values, now) }
      end

      def self.keep(athlete, values, now)
        stage, ended_at = values[:stage] - 1, ended_at(values, now)
        athlete.colds.create!(
          account_id: athlete.account_id,
          stage: stage,
          local_date: values[:taken_on],
          ended_at: ended_at,
          note: values[:note].to_s,
          watcher: values[:watcher].to_s,
          caution: caution(athlete, stage, values[:watcher].to_s, ended_at),
          **values.slice(:uuid, :minutes, :calm, :why_out)
        )
      end

      def self.caution(athlete, stage, watcher, ended_at)
        open = Cold.open_stage(athlete.colds.select { |one| one.ended_at <= ended_at }.map(&:to_core))
        [
          Queries::Caution.of(athlete, Progression::COLD, at: ended_at),
          Cold.early_words(stage, open),
          Cold.alone_words(stage, watcher)
        ].compact.reject(&:empty?).join(" ")
      end

      # One that is written in later stands at noon of its day.
      def self.ended_at(values, now)
        day = values[:taken_on]
        (day == now.to_date) ? now : Time.new(day.year, day.month, day.day, 12)
      end
      private_class_method :keep, :caution, :ended_at
    end
  end
end
