# frozen_string_literal: true

module Windlass
  module Protocols
    # F8, ratio breathing: in, hold full, out, hold empty, in counts. Common practice, no source.
    class Ratio < Protocol
      MOST_COUNTS = 32
      # Where a breath stops in the middle, and stays as it is.
      STOPS = {
        "none" => "none",
        "in" => "a stop in the middle of the breath in",
        "out" => "a stop in the middle of the breath out",
        "both" => "a stop in the middle of each breath"
      }.freeze

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
      detail :middle_count_s,
        "a count in the middle",
        :count_s,
        0.4..2,
        step: 0.1,
        shapes: :breathing,
        unset: "as all others"
      detail :stops, "stops on the way", choices: STOPS, usual: "none", telling: "%s"
      detail :stop_counts, "a stop", :counts, 1..8, step: 1, shapes: :hold, usual: 2

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
        count_s = Numbers.exact(dose[:count_s])
        shares = Tempo.shares(dose[:rounds], Numbers.exact(dose[:middle_count_s] || dose[:count_s]) / count_s)
        shares
          .each
          .with_index(1) do |share, round|
            line.within(round: round, phase: :work) { laid_out(dose).each { |one| part(line, count_s * share, *one) } }
          end
      end

      # A count of 0 is no hold, a stop is one; of a dose that is not known nothing is said.
      def holds_in?(dose) =
        !dose.to_h[:pattern].nil? && (dose[:pattern].values_at(1, 3).any?(&:positive?) || stops(dose).any?)

      # Holds longer than the breath in are retention work; what is faster than calm is over-breathing.
      def columns(dose)
        pattern = self.class.whole(dose[:pattern])
        held = [*pattern.values_at(1, 3), *(setting(dose, :stop_counts) if stops(dose).any?)].max
        quickest_s = [dose[:count_s], dose[:middle_count_s]].compact.min
        [
          (held > pattern.first) ? :retention : :breath,
          (:over if Pace.over?(quickest_s, pattern.sum + stops(dose).size * setting(dose, :stop_counts)))
        ].compact
      end

      OWN_TEMPO = "is not for what the heart counts: it has a tempo of its own"
      NO_MIDDLE = "is not for a breath of one count: it has no middle"
      private_constant :OWN_TEMPO, :NO_MIDDLE

      def faults(dose)
        found = super
        return found if found.any?

        found[:middle_count_s] = OWN_TEMPO if by_heartbeat?(dose) && dose[:middle_count_s]
        found[:stops] = NO_MIDDLE if stops(dose).any? { |way| counts(dose, way) < 2 }
        found
      end

      # A light day's holds are whole counts, and never none.
      def lightened(dose)
        breath_in, full, out, empty = dose[:pattern]
        stops = stops(dose).any? ? {stop_counts: light_count(setting(dose, :stop_counts))} : {}
        lean(super.merge(pattern: [breath_in, light_count(full), out, light_count(empty)].freeze, **stops))
      end

      # @return [String] `6 rounds of 4 : 2 : 4 : 2, 1 s a count`, or `…, 72 beats a minute`
      def pattern_in_words(dose)
        whole = self.class.whole(dose[:pattern])
        taken = " (taken as #{in_counts(whole)})" unless whole == dose[:pattern]
        [
          "#{Words.count(dose[:rounds], "round")} of #{in_counts(dose[:pattern])}#{taken}",
          pace_in_words(dose),
          Tempo.in_words(dose[:count_s], dose[:middle_count_s], "a count", dose[:rounds]),
          (stops_in_words(dose) if stops(dose).any?)
        ].compact.join(", ")
      end

      private

      # Told with the pattern already.
      def details_in_words(dose) = super(dose.except(:middle_count_s, :stops, :stop_counts))

      def stops_in_words(dose)
        "#{STOPS.fetch(setting(dose, :stops))}, #{Words.count(setting(dose, :stop_counts), "count")}"
      end

      # @return [Array<Symbol>] breaths that stop in the middle: :in, :out
      def stops(dose) = {"in" => %i[in], "out" => %i[out], "both" => %i[in out]}.fetch(setting(dose, :stops), [])

      # @return [Integer] of the breath :in, or :out
      def counts(dose, way) = self.class.whole(dose[:pattern])[(way == :in) ? 0 : 2]

      # @return [Array<Array(Symbol, Integer, Hash)>] what each is, its counts, and what else is known of it
      def laid_out(dose)
        _, full, _, empty = self.class.whole(dose[:pattern])
        by = by_heartbeat?(dose) ? ", by the heartbeat" : ""
        [
          *breath(dose, :in, :inhale, to: :easy, cue: "In#{by}"),
          [:hold, full, {cue: "Hold, full"}],
          *breath(dose, :out, :exhale, to: :passive, cue: "Out#{by}"),
          [:hold, empty, {cue: "Hold, empty"}]
        ]
      end

      # In one, or in two halves of whole counts and a stop between them.
      def breath(dose, way, kind, **details)
        all = counts(dose, way)
        return [[kind, all, details]] unless stops(dose).include?(way)

        first = (all/2r).ceil
        [
          [kind, first, {**details, left: Rational((way == :in) ? first : all - first, all)}],
          [:hold, setting(dose, :stop_counts), {midway: true, told: "stop", cue: "Stop where you are"}],
          [kind, all - first, {**details, cue: "On, #{details.fetch(:cue).downcase}"}]
        ]
      end

      def part(line, count_s, kind, counts, details) =
        line.public_send(kind, counts * count_s, beats: counts, **details)

      def pace_in_words(dose)
        if by_heartbeat?(dose)
          "#{(60 / dose[:count_s]).round} beats a minute"
        else
          "#{Words.seconds(dose[:count_s])} a count"
        end
      end

      def by_heartbeat?(dose) = setting(dose, :counted_by) == "heartbeat"

      def in_counts(pattern) = pattern.map { |count| Words.number(count) }.join(" : ")

      def light_count(counts) = counts.zero? ? 0 : [(counts * LIGHT_HOLD).floor, 1].max

      def starting_dose(_measures) = {pattern: [4, 2, 4, 2].freeze, count_s: 1, rounds: 6}
    end
  end
end
