# frozen_string_literal: true

module Windlass
  module Forms
    class ControlPauseForm < Form
      SECONDS = (0.5..300.0)
      # Scores from a notebook may be this old.
      DAYS_BACK = 365

      class Rules < Contract
        option :today

        params do
          required(:uuid).filled(:string, :uuid_v4?)
          required(:seconds).filled(Types::Seconds)
          required(:ended_by).filled(:string, included_in?: Measures::ENDINGS.keys.map(&:to_s))
          required(:first_breath).filled(:string, included_in?: Measures::FIRST_BREATHS.keys.map(&:to_s))
          required(:on_waking).filled(:bool)
          required(:taken_on).filled(:date)
          optional(:note).maybe(:string)
        end

        rule(:seconds).validate(within: SECONDS)
        rule(:note).validate(at_most_characters: 1000)
        rule(:taken_on).validate(lately: DAYS_BACK)
      end
      RULES = Rules
    end

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
