# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps what an athlete says today; said again, it is replaced.
    module KeepDay
      # Whoever has a chest illness is unwell, whether or not that was ticked, too.
      UNWELL = "unwell"

      # @param values [Hash] of Forms::DayForm
      # @return [Records::Day]
      def self.call(athlete, values, now:)
        Consents.required!(athlete, now.to_date)
        # Two that ask at once say it of the same day.
        athlete.transaction(requires_new: true) { keep(athlete.day_on(now.to_date), values) }
      rescue ActiveRecord::RecordNotUnique
        keep(athlete.day_on(now.to_date), values)
      end

      # What comes late of a day adds to what was said of it, and takes nothing back.
      # @return [Records::Day]
      def self.add(athlete, values, now:)
        said = athlete.day_on(now.to_date)
        known = said.slice(:watcher, :oximeter, :feeling, :slept_h).symbolize_keys
        answers = said.answers | values.fetch(:answers, [])
        call(athlete, {**known, answers: answers, chest: said.chest || values[:chest]}, now: now)
      end

      def self.keep(day, values)
        chest = values.fetch(:chest, false) || false
        day.update!(
          answers: values.fetch(:answers, []) | (chest ? [UNWELL] : []),
          chest: chest,
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
