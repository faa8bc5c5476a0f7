# frozen_string_literal: true

module Windlass
  module Protocols
    # F10, deep-breath rounds: over-breathing, then a retention, on empty lungs or on full ones, under a cap that the gas
    # model sets.
    # Common practice, no source; the cap: docs/gas-model.md.
    class DeepRounds < Protocol
      BREATH_S = 3.2r
      SETTLE_S = 120
      REST_S = 90
      # Where no model has been asked: shorter than what it computes for the frailest bodies that it knows.
      UNASKED_CAP_S = 10
      # Less is no retention.
      SHORTEST_S = 5

      about id: "deep-rounds", name: "Deep-breath rounds", goal: :tolerance, column: :over, places: %i[mat chair],
        needs: {control_pause_s: 0}, clean_sessions: 3, posture: :lying, over_breathing: true, computed: %i[cap_s],
        trains: "Full breathing and a retention after it, in rounds: a morning practice, dry, lying or seated.",
        cautions: [
          "Over-breathing delays the urge, so it does not protect: the cap is a limit, never a target.",
          "Lying or seated, on dry ground. No swim, surf, dive, bath or cold immersion for 12 hours after it, no driving and no standing in it.",
          "Tingling comes from low carbon dioxide: breathe softer; if it is strong, stop."
        ]

      parameter :breaths, "deep breaths", :breaths, 10..40, step: 5, shapes: :breathing
      parameter :cap_s, "hold, at most", :s, SHORTEST_S..90, step: 1, shapes: :hold
      parameter :recovery_hold_s, "recovery hold", :s, 10..20, step: 1
      parameter :rounds, "rounds", :rounds, 1..4, step: 1
      parameter :retention, "retention", choices: {"empty" => "empty, then a recovery breath", "full" => "on one full breath"}, optional: true

      lever :rounds, step: 1, limit: 3
      lever :breaths, step: 5, limit: 30

      def write(line, dose)
        line.breathe(SETTLE_S, phase: :settle, cue: "Lie down, and breathe easily")
        (1..dose[:rounds]).each { |round| line.within(round: round) { round(line, dose) } }
      end

      # The lowest cap of all rounds, single changed ones among them, down to whole seconds; never over what the dose says
      # already. Nobody known: the shortest.
      def fitted(dose, body)
        cap_s = [dose[:cap_s], body ? computed_cap_s(dose, body) : UNASKED_CAP_S].compact.min
        dose.merge(cap_s: cap_s).freeze
      end

      def objection(dose)
        "The gas model leaves no hold of #{SHORTEST_S} s after so much breathing." if dose[:cap_s] && dose[:cap_s] < SHORTEST_S
      end

      # @return [String] `2 rounds of 20 breaths, hold to the urge, 45 s at most`
      def in_words(dose)
        "#{Words.count(dose[:rounds], "round")} of #{Words.count(dose[:breaths], "breath")}, hold#{" full" if full?(dose)} to the urge, " \
        "#{Words.seconds(cap_s(dose))} at most"
      end

      private

      def starting_dose(_measures) = {breaths: 20, cap_s: nil, recovery_hold_s: 15, rounds: 2}

      def cap_s(dose) = [dose[:cap_s] || UNASKED_CAP_S, 1].max

      # First with the cap of the first round, then of all with that one: a round leans on those before it.
      def computed_cap_s(dose, body)
        cap_s = before_holds(dose.merge(cap_s: UNASKED_CAP_S)).first(1).map { |before| Physiology::Cap.seconds(body, before) }.min
        before_holds(dose.merge(cap_s: cap_s)).map { |before| Physiology::Cap.seconds(body, before) }.min.floor
      end

      def full?(dose) = dose[:retention] == "full"

      # What comes before the capped hold of each round.
      def before_holds(dose)
        segments = compile(dose).segments
        segments.each_index.select { |index| segments[index].until == :cap }.map { |index| segments.take(index) }
      end

      def round(line, dose)
        line.within(phase: :work) do
          dose[:breaths].times do |number|
            line.inhale(BREATH_S / 2, to: :big, cue: "In, fully: #{number + 1} of #{dose[:breaths]}")
            line.exhale(BREATH_S / 2, to: :passive, cue: (number + 1 == dose[:breaths]) ? last_out(dose) : "Out, let it fall")
          end
          full?(dose) ? hold_full(line, dose) : hold_empty(line, dose)
        end
        line.within(phase: :rest) do
          line.exhale(3, to: :passive, cue: "Out, and breathe naturally")
          line.breathe(REST_S - 3, cue: "Breathe naturally")
        end
      end

      def last_out(dose) = full?(dose) ? "Out, the last" : "Out, and stay"

      def hold_empty(line, dose)
        line.hold(cap_s(dose), until: :cap, cue: "Hold, empty, to the urge")
        line.inhale(3, to: :full, cue: "One recovery breath in")
        line.hold(dose[:recovery_hold_s], cue: "Hold, full")
      end

      def hold_full(line, dose)
        line.inhale(3, to: :full, cue: "One full breath in")
        line.hold(cap_s(dose), until: :cap, cue: "Hold, full, to the urge")
      end
    end
  end
end
