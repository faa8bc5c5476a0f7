# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps what an athlete says today; said again, it is replaced.
    module KeepDay
      # @param values [Hash] of Forms::DayForm
      # @return [Records::Day]
      def self.call(athlete, values, now:)
        Consents.required!(athlete, now.to_date)
        # Two that ask at once say it of the same day.
        athlete.transaction(requires_new: true) { keep(athlete.day_on(now.to_date), values) }
      rescue ActiveRecord::RecordNotUnique
        keep(athlete.day_on(now.to_date), values)
      end

      def self.keep(day, values)
        day.update!(
          answers: values.fetch(:answers, []),
          chest: values.fetch(:chest, false) || false,
          watcher: values[:watcher].to_s,
          oximeter: values[:oximeter] || false,
          **values.slice(:feeling, :slept_h)
        )
        day
      end
      private_class_method :keep
    end
  end
end
