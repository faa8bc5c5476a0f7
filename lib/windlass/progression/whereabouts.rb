# frozen_string_literal: true

module Windlass
  module Progression
    # Who wants a look of the coach: has not come, slides, or is stuck. One may be several of it, and one never hides
    # another. The numbers are common practice, without a source.
    # last_on: training day, nil where there is none in half a year. days: training days in six weeks. up, down: steps
    # in six weeks. stepped_on: the last step up, nil where there is none in half a year. since: open prescriptions
    # exist since then. rises: 1, 0 or -1, how the morning score moves. trend: {TrainingTrend} of four weeks.
    Whereabouts =
      Value.define(:last_on, :days, :up, :down, :stepped_on, :since, :rises, :trend) do
        # @param on [Date] today
        # @param away [Boolean] they said that they would not come
        # @return [Hash{Symbol => String}] `away`, `slides`, `stuck`, as far as it is so, and why
        def reasons(on:, away: false)
          {
            away: (gone_words(on) if !away && gone_days(on) >= Whereabouts::GONE_DAYS),
            slides: (trend.steps if trend.state == :poorly),
            stuck: (stuck_words(on) if stuck?(on))
          }.compact
        end

        # @return [Boolean] trained often enough for a step, and made none
        def stuck?(on) = up.zero? && days >= Whereabouts::STUCK_DAYS && on - since >= Whereabouts::SPAN_DAYS

        private

        def gone_days(on) = (on - (last_on || since)).to_i

        def gone_words(on)
          return "prescribed #{Words.count(gone_days(on), "day")} ago, and never begun" if last_on.nil?

          "not come for #{Words.count(gone_days(on), "day")}"
        end

        def stuck_words(on)
          step = "no step up in half a year"
          step = "the last step up #{((on - stepped_on) / 7).floor} weeks ago" if stepped_on
          "#{Words.count(days, "training day")} in six weeks, #{step}"
        end
      end

    Whereabouts::GONE_DAYS = 10
    # In which trainings and steps are counted.
    Whereabouts::SPAN_DAYS = 42
    # Fewer training days make no step that is missing.
    Whereabouts::STUCK_DAYS = 8
    # Further back nobody looks for a step.
    Whereabouts::BACK_DAYS = 182
  end
end
