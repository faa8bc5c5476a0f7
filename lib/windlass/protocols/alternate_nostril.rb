# frozen_string_literal: true

module Windlass
  module Protocols
    # F9, alternate nostril, with or without retention. Common practice, no source.
    class AlternateNostril < Protocol
      IN = 4
      OUT = 6
      RETENTION = 4
      RESTORING_BREATH_S = 5

      # The build-up, a stage after the other. locks: full, empty.
      Stage = Value.define(:words, :narrow_in, :narrow_out, :full, :empty) do
        # @param full [Array<Symbol>, nil] locks of a retention after the breath in; nil: there is none
        def initialize(words:, narrow_in: false, narrow_out: false, full: nil, empty: nil)
          super
        end

        def retention? = !full.nil? || !empty.nil?

        def locks? = [full, empty].compact.any?(&:any?)
      end

      STAGES = [
        Stage.new(words: "open"),
        Stage.new(words: "narrowed in", narrow_in: true),
        Stage.new(words: "narrowed out", narrow_out: true),
        Stage.new(words: "narrowed both ways", narrow_in: true, narrow_out: true),
        Stage.new(words: "holding full", full: []),
        Stage.new(words: "holding full with the root lock", full: %i[root]),
        Stage.new(words: "holding empty", empty: []),
        Stage.new(words: "holding empty with the abdominal lock", empty: %i[abdominal]),
        Stage.new(words: "holding full and empty with locks", full: %i[throat root], empty: %i[root abdominal])
      ].freeze
      LAST_WITHOUT_LOCKS = STAGES.index(&:locks?) - 1
      LAST_WITHOUT_RETENTION = STAGES.index(&:retention?) - 1

      # Side of the breath in, side of the breath out; a cycle goes through them in turn.
      FORMS = {
        "left" => [%i[left right], %i[right left]], "right" => [%i[right left], %i[left right]],
        "warming" => [%i[right left], %i[right left]], "cooling" => [%i[left right], %i[left right]]
      }.freeze
      FORM_WORDS = {"left" => "both ways, left first", "right" => "both ways, right first",
                    "warming" => "in right, out left (surya bhedana)", "cooling" => "in left, out right (chandra bhedana)"}.freeze
      HANDS = {left: "ring finger off the left", right: "thumb off the right"}.freeze

      about id: "alternate-nostril", name: "Alternate nostril", also: "nadi shodhana", goal: :calm, column: :breath, places: %i[chair], paced: true,
        first_breath: :cycle, trains: "An even breath through one side after the other, later narrowed, later with light retentions.",
        cautions: ["The first restoring breath decides: a jerk, a gasp or a loud breath means that the hold was too long.",
          "Locks are light, and let go before the breath out."]

      parameter :stage, "stage", :stage, 0..STAGES.size - 1, step: 1, shapes: :hold, names: STAGES.map(&:words)
      parameter :cycles, "cycles a round", :cycles, 1..6, step: 1
      parameter :rounds, "rounds", :rounds, 1..12, step: 1
      parameter :count_s, "a count", :count_s, 0.5..2, step: 0.1, shapes: :breathing
      parameter :form, "sides", choices: FORM_WORDS, optional: true

      lever :cycles, step: 1, limit: 3
      lever :stage, step: 1, limit: LAST_WITHOUT_LOCKS, opens: {locks: STAGES.size - 1}
      lever :rounds, step: 1, limit: 4

      def write(line, dose)
        line.exhale(OUT * dose[:count_s].rationalize(1/1000r), to: :passive, phase: :settle, beats: OUT, route: sides(dose).last.last,
          cue: "Out #{side(sides(dose).last.last)}")
        (1..dose[:rounds]).to_a.product((1..dose[:cycles]).to_a) do |round, cycle|
          line.within(round: round, cycle: cycle) { cycle(line, dose) }
        end
      end

      def holds_in?(dose) = !dose.to_h[:stage].nil? && STAGES.fetch(dose[:stage]).retention?

      # Retention is another column than breathing, and locks yet another.
      def columns(dose)
        stage = STAGES.fetch(dose[:stage])
        [stage.retention? ? :retention : :breath, (:locks if stage.locks?), (:over if Pace.over?(dose[:count_s], IN + OUT))].compact
      end

      # On a light day nothing is held.
      def lightened(dose) = super.merge(stage: [dose[:stage], LAST_WITHOUT_RETENTION].min).freeze

      # @return [String] `2 rounds of 2 cycles, open, 1 s a count`
      def in_words(dose)
        "#{Words.count(dose[:rounds], "round")} of #{Words.count(dose[:cycles], "cycle")}, #{STAGES.fetch(dose[:stage]).words}, " \
        "#{Words.seconds(dose[:count_s])} a count"
      end

      private

      def starting_dose(_measures) = {stage: 0, cycles: 2, rounds: 2, count_s: 1}

      def sides(dose) = FORMS.fetch(dose[:form] || "left")

      # A restoring breath follows every cycle.
      def cycle(line, dose)
        stage = STAGES.fetch(dose[:stage])
        count_s = dose[:count_s].rationalize(1/1000r)
        line.within(phase: :work) { sides(dose).each { |from, to| breath(line, stage, count_s, from, to) } }
        line.breathe(RESTORING_BREATH_S, phase: :rest, route: :both, breaths: 1, cue: "A restoring breath, both sides open")
      end

      def breath(line, stage, count_s, from, to)
        line.inhale(IN * count_s, to: :easy, beats: IN, route: from, narrowed: stage.narrow_in || nil, cue: "In #{side(from)}#{", narrowed" if stage.narrow_in}")
        retention(line, stage.full, count_s, "Hold, full")
        line.exhale(OUT * count_s, to: :passive, beats: OUT, route: to, narrowed: stage.narrow_out || nil, cue: "Out #{side(to)}#{", narrowed" if stage.narrow_out}")
        retention(line, stage.empty, count_s, "Hold, empty")
      end

      def retention(line, locks, count_s, cue)
        return if locks.nil?

        named = locks.any? ? "#{cue}, #{Words.list(locks)} lock, light" : cue
        line.hold(RETENTION * count_s, beats: RETENTION, locks: locks.any? ? locks : nil, cue: named)
      end

      def side(name) = "#{name}: #{HANDS.fetch(name)}"
    end
  end
end
