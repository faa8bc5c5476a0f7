# frozen_string_literal: true

module Windlass
  module Progression
    # Whether some weeks of training went well: one word, and why. It moves nobody; it says where a coach looks first.
    # Its shares are common practice, without a source.
    TrainingTrend =
      Value.define(:state, :because, :steps) do
        # steps: of the reasons, what is said of steps alone.
        # @return [String] `Going well`
        def word = TrainingTrend::WORDS.fetch(state)

        # @return [String] `Going well: 5 steps up, none down in four weeks; no gasp.`
        def in_words = "#{word}: #{because}"

        # @param decided [Hash{String => Integer}] verdicts that were decided, counted
        # @param days [Integer] training days, a protocol each
        # @param gasping [Integer] those of them on which a first breath was a gasp
        # @param trend [Trends::Slope, nil] of the morning control pause
        # @param falls [Boolean] a fall of it is expected, and is progress
        # @param stopped [Boolean] all hold work is stopped
        # @return [TrainingTrend]
        def self.read(decided:, days:, gasping:, trend: nil, falls: false, stopped: false)
          weeks =
            TrainingTrend::Weeks.new(
              up: decided.fetch("advance", 0),
              down: decided.values_at("ease", "rest", "stop").compact.sum,
              breaks: decided.values_at("rest", "stop").compact.sum,
              days: days,
              gasping: gasping,
              pause: falls ? -TrainingTrend.direction(trend) : TrainingTrend.direction(trend),
              stopped: stopped
            )
          new(state: weeks.state, because: weeks.in_words, steps: weeks.steps)
        end

        # @return [Integer] 1, 0 or -1; 0 where the interval leaves room for no change
        def self.direction(trend) = trend&.clear? ? trend.slope <=> 0 : 0
      end

    # Mildest first; too few days stand apart.
    TrainingTrend::WORDS = {
      early: "Too early to say", well: "Going well", steady: "Holding steady", mixed: "Up and down",
      poorly: "Not going well"
    }.freeze
    TrainingTrend::DAYS = 28
    # Fewer training days say nothing by themselves.
    TrainingTrend::LEAST_DAYS = 4
    # So many steps down, and no fewer than up, are no accident.
    TrainingTrend::MANY_DOWN = 2
    # Gasps on one training day of so many are none either.
    TrainingTrend::GASPING_ONE_IN = 4

    # What is counted of the weeks.
    TrainingTrend::Weeks =
      Value.define(:up, :down, :breaks, :days, :gasping, :pause, :stopped) do
        # @return [Symbol] one of {TrainingTrend::WORDS}
        def state
          return :poorly if stopped || breaks.positive? || (down >= TrainingTrend::MANY_DOWN && down >= up)
          return :mixed if down.positive? || gasping * TrainingTrend::GASPING_ONE_IN > days || pause.negative?
          return :well if up.positive? || pause.positive?

          (days < TrainingTrend::LEAST_DAYS) ? :early : :steady
        end

        def in_words = "#{[*("stopped" if stopped), steps, *gasps].join("; ")}."

        def steps
          return "no session in four weeks" if days.zero? && up.zero? && down.zero?
          return "#{Words.count(days, "training day")} in four weeks, no step" if up.zero? && down.zero?

          "#{Words.count(up, "step")} up, #{down.zero? ? "none" : down} " \
          "down#{", #{breaks} of them to rest or stop," if breaks.positive?} in four weeks"
        end

        private

        def gasps
          return [] if days.zero?

          gasping.zero? ? "no gasp" : "gasps on #{gasping} of #{Words.count(days, "training day")}"
        end
      end
  end
end
