# frozen_string_literal: true

module Windlass
  module Forms
    # A score that an athlete sends by a link of their own: of this morning, or of yesterday's, within what readings can
    # be.
    class MorningForm < ControlPauseForm
      DAYS = 1

      # @param today [Date]
      def self.parse(params, today:) = super.within(today)

      # @return [MorningForm] with the faults that only a link has
      def within(today)
        day, seconds = values.values_at(:taken_on, :seconds)
        errors["taken_on"] ||= "#{day} is not allowed; allowed: today or yesterday" if day.is_a?(Date) &&
          !(today - DAYS..today).cover?(day)
        if seconds.is_a?(
          Numeric
        ) && !Measures::PLAUSIBLE_S.cover?(seconds)
          errors[
            "seconds"
          ] ||= "#{Words.number(seconds)} is not allowed; allowed: #{Measures::PLAUSIBLE_S.begin} to " \
            "#{Measures::PLAUSIBLE_S.end}. Take it again"
        end
        self
      end
    end
  end
end
