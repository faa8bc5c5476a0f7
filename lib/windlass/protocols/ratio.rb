# frozen_string_literal: true

module Windlass
  module Protocols
    # F8, ratio breathing: in, hold full, out, hold empty, in counts. Common practice, no source.
    class Ratio < Protocol
      MOST_COUNTS = 32

      about id: "ratio",
        name: "Ratio breathing",
        known_as: "box square metronome heartbeat pulse count",
        also: "sama vritti",
        place: 70,
        counted_aloud: %i[beats up],
        goal: :calm,
        column: :breath,
        places: %i[chair mat],
        halves: :rounds,
        paced: true,
        first_breath: :round,
        trains: "An even, counted breath with short holds: four parts that keep their proportions.",
        cautions: ["Out of breath before the end of a count: shorten the count, not the ratio."]

      parameter :pattern, "in, hold full, out, hold empty", :counts, 0..MOST_COUNTS, step: 1, numbers: 4, shapes: :hold
      parameter :count_s, "a count", :count_s, 0.4..2, step: 0.1, shapes: :breathing
      parameter :rounds, "rounds", :rounds, 1..40, step: 1

      settles 0, cue: "Breathe easily"
      detail :counted_by,
        "counted by",
        choices: {
          "clock" => "the clock",
          "heartbeat" => "the heartbeat"
        },
        usual: "clock"

      # What a count is of the first one, in the trade's own ratios.
      SHARES = [1 / 4r, 1 / 2r, 3 / 4r, 1r, 3 / 2r, 2r, 3r, 4r].freeze

      # A beat is always whole: half a count is taken as the whole one below it, and what is done at all lasts a count.
      # @return [Array<Integer>]
      def self.whole(pattern) = pattern.map { |count| count.zero? ? 0 : [(count.to_r - 1 / 2r).ceil, 1].max }

      # @return [Rational] of which trade's ratio these two counts are the nearest whole ones, the half first; their own
      #   where of none
      def self.share(count, first)
        own = Rational(count, first)
        found = SHARES.select { |share| whole([first * share]).first == count }
        ([own, 1 / 2r] & found).first || found.min_by { |share| (share - own).abs } || own
      end

      # The first count leads; the rest follow in proportion, each to the nearest whole count, halves down.
      FIRST_COUNT = {
        read: ->(dose) { whole(dose[:pattern]).first },
        write: ->(dose, first) do
          counts = whole(dose[:pattern])
          dose.merge(pattern: whole(counts.map { |count| share(count, counts.first) * first }).freeze)
        end,
        # No count grows beyond what a coach may set, and from nothing nothing grows.
        moves: ->(dose) do
          counts = whole(dose[:pattern])
          counts.first.positive? &&
            whole(counts.map { |count| share(count, counts.first) * (counts.first + 1) }).max <= MOST_COUNTS
        end
      }.freeze

      lever :rounds, step: 1, limit: 12
      lever :pattern, step: 1, limit: 6, **FIRST_COUNT

      def write(line, dose)
        settle(line, dose)
        breath_in, full, out, empty = self.class.whole(dose[:pattern])
        part = ->(counts, **details) do
          [counts * dose[:count_s].rationalize(1 / 10_000r), {beats: counts, **details}]
        end
        by = by_heartbeat?(dose) ? ", by the heartbeat" : ""
        (1..dose[:rounds]).each do |round|
          line.within(round: round, phase: :work) do
            write_part(line, :inhale, *part[breath_in, to: :easy, cue: "In#{by}"])
            write_part(line, :hold, *part[full, cue: "Hold, full"])
            write_part(line, :exhale, *part[out, to: :passive, cue: "Out#{by}"])
            write_part(line, :hold, *part[empty, cue: "Hold, empty"])
          end
        end
      end

      # A count of 0 is no hold; of a dose that is not known nothing is said.
      def holds_in?(dose) = !dose.to_h[:pattern].nil? && dose[:pattern].values_at(1, 3).any?(&:positive?)

      # Holds longer than the breath in are retention work; what is faster than calm is over-breathing.
      def columns(dose)
        pattern = self.class.whole(dose[:pattern])
        [
          (pattern.values_at(1, 3).max > pattern.first) ? :retention : :breath,
          (:over if Pace.over?(dose[:count_s], pattern.sum))
        ].compact
      end

      # A light day's holds are whole counts, and never none.
      def lightened(dose)
        breath_in, full, out, empty = dose[:pattern]
        super.merge(pattern: [breath_in, light_count(full), out, light_count(empty)].freeze).freeze
      end

      # @return [String] `6 rounds of 4 : 2 : 4 : 2, 1 s a count`, or `…, 72 beats a minute`
      def pattern_in_words(dose)
        whole = self.class.whole(dose[:pattern])
        taken = " (taken as #{counts(whole)})" unless whole == dose[:pattern]
        "#{Words.count(dose[:rounds], "round")} of #{counts(dose[:pattern])}#{taken}, #{pace_in_words(dose)}"
      end

      private

      def pace_in_words(dose)
        if by_heartbeat?(dose)
          "#{(60 / dose[:count_s]).round} beats a minute"
        else
          "#{Words.seconds(dose[:count_s])} a count"
        end
      end

      def by_heartbeat?(dose) = setting(dose, :counted_by) == "heartbeat"

      def counts(pattern) = pattern.map { |count| Words.number(count) }.join(" : ")

      def light_count(counts) = counts.zero? ? 0 : [(counts * LIGHT_HOLD).floor, 1].max

      def starting_dose(_measures) = {pattern: [4, 2, 4, 2].freeze, count_s: 1, rounds: 6}

      def write_part(line, kind, seconds, details) = line.public_send(kind, seconds, **details)
    end
  end
end
