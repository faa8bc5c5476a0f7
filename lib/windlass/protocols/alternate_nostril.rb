# frozen_string_literal: true

module Windlass
  module Protocols
    # F9, alternate nostril, with or without retention. Common practice, no source. What may be chosen: {Nostril}.
    class AlternateNostril < Protocol
      # In, hold full, out, hold empty.
      COUNTS = [4, 4, 6, 4].freeze
      STAGES = Nostril::STAGES
      LAST_WITHOUT_LOCKS = STAGES.index(&:locks?) - 1
      LAST_WITHOUT_RETENTION = STAGES.index(&:retention?) - 1
      BY_STAGE = "as the stage says"
      LET_GO = "Let the lock go"

      about id: "alternate-nostril",
        name: "Alternate nostril",
        known_as: "sun moon anuloma viloma surya chandra bhedana left right side lock metronome",
        place: 90,
        counted_aloud: %i[beats up],
        also: "nadi shodhana",
        goal: :calm,
        column: :breath,
        places: %i[chair],
        paced: true,
        first_breath: :cycle,
        trains: "An even breath through one side after the other, later narrowed, later with light retentions.",
        cautions: [
          "The first restoring breath decides: a jerk, a gasp or a loud breath means that the hold was too long.",
          "Locks are light, and let go before the breath out."
        ]

      parameter :stage, "stage", :stage, 0..STAGES.size - 1, step: 1, shapes: :hold, names: STAGES.map(&:words)
      parameter :cycles, "cycles a round", :cycles, 1..6, step: 1
      parameter :rounds, "rounds", :rounds, 1..12, step: 1
      parameter :count_s, "a count", :count_s, 0.5..2, step: 0.1, shapes: :breathing
      parameter :form, "sides", choices: Nostril::FORM_WORDS, usual: "left"
      detail :counts, "in, hold full, out, hold empty", :counts, 0..32, step: 1, numbers: 4, shapes: :hold
      detail :narrow, "narrowed", choices: Nostril::WAY_WORDS, unset: BY_STAGE
      detail :retention, "retention", choices: Nostril::HELD_WORDS, unset: BY_STAGE
      Nostril::LOCKS.each do |lock, words|
        detail lock,
          words,
          choices: (lock == :abdominal) ? Nostril::LOCKED_WORDS.slice(*Nostril::ABDOMINAL) : Nostril::LOCKED_WORDS,
          unset: BY_STAGE
      end
      detail :let_go, "locks let go before the end", :counts, 0..2, step: 1, usual: 1, telling: "locks let go %s early"
      detail :restore_after,
        "cycles before a restoring breath",
        :number,
        1..3,
        step: 1,
        usual: 1,
        telling: "restored after every %s cycles"
      detail :restoring, "restoring breaths", :breaths, 0..3, step: 1, shapes: :rest, usual: 1, telling: "%s to restore"
      detail :empty_first,
        "empties first",
        choices: {
          "one" => "one side",
          "both" => "both sides",
          "none" => "neither side"
        },
        usual: "one",
        telling: "empties %s first"
      detail :opening, "opening breaths", :breaths, 0..3, step: 1, usual: 0, telling: "%s to open"

      lever :cycles, step: 1, limit: 3
      lever :stage,
        step: 1,
        limit: LAST_WITHOUT_LOCKS,
        opens: {locks: STAGES.size - 1},
        moves: ->(dose) { !Nostril::Choice.new(dose: dose).own? }
      # Rounds of a single cycle are short: as many of those as four rounds of three cycles have cycles.
      lever :rounds,
        step: 1,
        limit: 4,
        limit_words: "12 where each is a single cycle",
        wider: ->(dose) { 12 if dose[:cycles] == 1 }

      def write(line, dose)
        line.within(phase: :settle) { begin_with(line, dose) }
        (1..dose[:rounds]).each do |round|
          (1..dose[:cycles]).each { |cycle| line.within(round: round, cycle: cycle) { cycle(line, dose, cycle) } }
        end
      end

      # What is true of a field in which nothing is chosen.
      # @return [String, nil] `holding full and empty`
      def unset_words(parameter, dose)
        return if dose[:stage].nil?
        return parameter.in_words(counts(dose)) if parameter.key == :counts

        parameter.in_words(chosen(dose).chosen(parameter.key)) if Nostril::USUAL.key?(parameter.key)
      end

      def holds_in?(dose) = !dose.to_h[:stage].nil? && chosen(dose).retention?

      # Retention is another column than breathing, and locks yet another.
      def columns(dose)
        choice = chosen(dose)
        [
          choice.retention? ? :retention : :breath,
          (:locks if choice.locks?),
          (:over if Pace.over?(dose[:count_s], breath_counts(dose)))
        ].compact
      end

      # Locks are off unless they are switched on for an athlete.
      def switches_needed(dose) = chosen(dose).locks? ? %i[locks] : []

      # Once, on the restoring breath; without one at the end of each round.
      def asked_after(dose)
        last = nil
        placed = compile(dose).placed
        asked =
          placed.each_with_object(Set.new) do |place, found|
            last = place.number if place.segment.hold?
            found << last if last && place.segment.phase == :rest
          end
        (
          if asked.empty?
            placed
              .select { |place| place.segment.hold? }
              .group_by { |place| place.segment.round }
              .values
              .map { |holds| holds.last.number }
          else
            [*asked, *last]
          end
        ).to_set
      end

      # On a light day nothing is held, and nothing locked.
      def lightened(dose)
        counts = dose[:counts] ? {counts: [dose[:counts][0], 0, dose[:counts][2], 0].freeze} : {}
        super
          .except(:retention, :let_go, *Nostril::LOCKS.keys)
          .merge(counts, stage: [dose[:stage], LAST_WITHOUT_RETENTION].min)
          .freeze
      end

      # @return [String] `2 rounds of 2 cycles, open, 1 s a count`
      def pattern_in_words(dose)
        form = dose[:form]
        [
          "#{Words.count(dose[:rounds], "round")} of #{Words.count(dose[:cycles], "cycle")}",
          (Nostril::FORM_WORDS.fetch(form) if form),
          chosen(dose).in_words,
          dose[:counts]&.map { |count| Words.number(count) }&.join(" : "),
          "#{Words.seconds(dose[:count_s])} a count"
        ].compact.join(", ")
      end

      def told_apart(dose) = Nostril::SAID_WAYS.fetch(chosen(dose).chosen(:narrow))

      private

      # Told with the pattern already.
      def details_in_words(dose) = super(dose.except(:counts, *Nostril::USUAL.keys))

      def starting_dose(_measures) = {stage: 0, cycles: 2, rounds: 2, count_s: 1}

      def chosen(dose) = Nostril::Choice.new(dose: dose)

      def counts(dose) = dose[:counts] || COUNTS

      # Of one breath, what is held included.
      def breath_counts(dose)
        breath_in, full, out, empty = counts(dose)
        breath_in + out + {full: full, empty: empty}.sum { |lungs, count| chosen(dose).held?(lungs) ? count : 0 }
      end

      def sides(dose) = Nostril::FORMS.fetch(setting(dose, :form))

      def seconds_of(dose, counts) = counts * dose[:count_s].rationalize(1 / 1000r)

      def begin_with(line, dose)
        setting(dose, :opening).times do
          line.breathe(Parts::BREATH_S, breaths: 1, cue: "An opening breath, both sides open")
        end
        last = sides(dose).last.last
        side = {"one" => last, "both" => :both}[setting(dose, :empty_first)] or return
        line.exhale(
          seconds_of(dose, COUNTS[2]),
          to: :passive,
          beats: COUNTS[2],
          route: side,
          told: ("out, both sides" if side == :both),
          cue: (side == :both) ? "Out, both sides open" : cue("Out", side)
        )
      end

      def cycle(line, dose, number)
        line.within(phase: :work) { sides(dose).each { |from, to| breath(line, dose, from, to) } }
        return unless number == dose[:cycles] || number % setting(dose, :restore_after) == 0

        setting(dose, :restoring).times do
          line.breathe(
            Parts::BREATH_S,
            phase: :rest,
            route: :both,
            breaths: 1,
            cue: "Hand down: a restoring breath, both sides open"
          )
        end
      end

      def breath(line, dose, from, to)
        breath_in, full, out, empty = counts(dose)
        part(line, :inhale, dose, :in, breath_in, "In", from, to: :easy)
        retention(line, dose, :full, full)
        part(line, :exhale, dose, :out, out, "Out", to, to: :passive)
        retention(line, dose, :empty, empty)
      end

      def part(line, kind, dose, way, counts, word, side, **details)
        choice = chosen(dose)
        narrowed = choice.narrowed?(way)
        locks = choice.locks(way)
        line.public_send(
          kind,
          seconds_of(dose, counts),
          beats: counts,
          route: side,
          narrowed: narrowed || nil,
          locks: (locks if locks.any?),
          cue: [cue(word, side), ("narrowed" if narrowed), locks_in_words(locks)].compact.join(", "),
          **details
        )
      end

      def retention(line, dose, lungs, counts)
        return unless chosen(dose).held?(lungs)

        locks = chosen(dose).locks(lungs)
        line.hold(
          seconds_of(dose, counts),
          beats: counts,
          locks: (locks if locks.any?),
          calls: let_go(dose, lungs, counts),
          cue: ["Hold, #{lungs}", locks_in_words(locks)].compact.join(", ")
        )
      end

      # A lock is let go a count or two before the hold ends, unless it is kept on.
      def let_go(dose, lungs, counts)
        following = {full: :out, empty: :in}.fetch(lungs)
        early = setting(dose, :let_go)
        going = chosen(dose).locks(lungs) - chosen(dose).locks(following)
        if going.any? && early.between?(1, counts - 1)
          [[(seconds_of(dose, counts - early) * 1000).round, LET_GO].freeze].freeze
        end
      end

      def locks_in_words(locks) = ("#{Words.list(locks)} lock, light" if locks.any?)

      # The whole act of the hand: thumb right, ring finger left.
      def cue(word, side)
        other = (side == :left) ? :right : :left
        "#{word} #{side}: close #{other}, open #{side}"
      end
    end
  end
end
