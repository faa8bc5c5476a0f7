# frozen_string_literal: true

module Windlass
  module Measures
    # The fewest mornings of either kind.
    LEAST_MORNINGS = 6

    # Whether mornings after over-breathing are lower than the others: the practice may spoil the breathing at rest.
    # Common practice; the statistics: {Trends::HodgesLehmann}.
    MorningsAfter =
      Value.define(:after, :others, :difference) do
        # @param series [MorningSeries]
        # @param days [Enumerable<Date>] on which over-breathing was practised
        # @param on [Date] the last day looked at
        # @return [MorningsAfter, nil] nil where there are too few of either
        def self.of(series, days, on)
          mornings = days.map { |day| day + 1 }.to_set
          after, others =
            series
              .within(on - (MORNINGS_DAYS - 1), on)
              .partition { |pause| mornings.include?(pause.taken_at.to_date) }
              .map { |pauses| pauses.map(&:seconds) }
          return if [after, others].any? { |scores| scores.size < LEAST_MORNINGS }

          new(after: after.size, others: others.size, difference: Trends::HodgesLehmann.difference(after, others))
        end

        def lower? = difference.clearly_lower?

        # @return [String]
        def in_words
          found = format("%+.1f s (%+.1f to %+.1f)", difference.difference, difference.low, difference.high)
          "Mornings after over-breathing: #{found} against the others, #{after} and #{others} of " \
          "them#{lower? ? ". They are lower: the practice may spoil the breathing at rest" : ", no clear difference"}."
        end
      end
  end
end
