# frozen_string_literal: true

module Windlass
  module Protocols
    # F10, deep-breath rounds: over-breathing, then a retention, on empty lungs or on full ones, under a cap that the
    # gas model sets.
    # Common practice, no source; the cap: docs/gas-model.md.
    class DeepRounds < Protocol
      HALF_BREATH_S = 1.6r
      OUT_S = 3
      FILL_S = 3
      # Where no model has been asked: shorter than what it computes for the frailest bodies that it knows.
      UNASKED_CAP_S = 10
      # Less is no retention.
      SHORTEST_S = 5

      about id: "deep-rounds",
        name: "Deep-breath rounds",
        known_as: "big breath power over-breathing hyperventilation twenty thirty",
        place: 160,
        counted_aloud: %i[breaths up],
        goal: :tolerance,
        column: :over,
        places: %i[mat chair],
        needs: {control_pause_s: 0},
        clean_sessions: 3,
        posture: :lying,
        over_breathing: true,
        computed: %i[cap_s],
        trains: "Full breathing and a retention after it, in rounds: a morning practice, dry, lying or seated.",
        cautions: [
          "Over-breathing delays the urge, so it does not protect: the cap is a limit. Do not aim for it.",
          "Lying or seated, on dry ground. No swim, surf, dive, bath or cold immersion for 12 hours after it, no " \
          "driving and no standing in it.",
          "Tingling comes from low carbon dioxide: breathe softer; if it is strong, stop."
        ]

      parameter :breaths, "deep breaths", :breaths, 10..40, step: 5, shapes: :breathing
      parameter :cap_s, "hold, at most", :s, SHORTEST_S..90, step: 1, shapes: :hold
      parameter :recovery_hold_s, "recovery hold", :s, 10..20, step: 1
      parameter :rounds, "rounds", :rounds, 1..4, step: 1
      parameter :retention,
        "retention",
        choices: {
          "empty" => "empty, then a recovery breath",
          "full" => "on one full breath"
        },
        usual: "empty"
      parameter :hold_s, "planned hold", :s, SHORTEST_S..90, step: 1, shapes: :hold, optional: true
      settles 120, cue: "Lie down, and breathe easily"
      detail :in_s, "each breath in", :s, 0.8..4, step: 0.1, shapes: :breathing, usual: HALF_BREATH_S
      detail :out_s, "each breath out", :s, 0.8..4, step: 0.1, shapes: :breathing, usual: HALF_BREATH_S
      detail :out_to,
        "how far it goes out",
        choices: Parts::OUT_TO.slice("passive", "half"),
        usual: "passive",
        telling: "out to %s"
      detail :last_out, "the last one out", choices: Parts::OUT_TO, usual: "passive", telling: "the last one out %s"
      rests 90, 10..600

      lever :rounds, step: 1, limit: 3
      lever :breaths, step: 5, limit: 30

      def write(line, dose)
        settle(line, dose)
        (1..dose[:rounds]).each { |round| line.within(round: round) { round(line, dose) } }
      end

      # The lowest cap of all rounds, single changed ones among them, down to whole seconds; never over what the dose
      # says already. Nobody known: the shortest.
      def fitted(dose, body, before: [])
        cap_s = [dose[:cap_s], body ? computed_cap_s(dose, body, before) : UNASKED_CAP_S].compact.min
        dose.merge(cap_s: cap_s).freeze
      end

      def objection(dose)
        if dose[:cap_s] && dose[:cap_s] < SHORTEST_S
          "The gas model leaves no hold of #{SHORTEST_S} s after so much breathing."
        end
      end

      # A full retention has a length that the coach gives; to the urge it is only held where the urge comes before the
      # cap.
      def waits_for_urge?(dose) = full?(dose) && to_urge?(dose)

      # @return [String, nil] a typed hold that the cap cuts, and why
      def cut_words(typed, fitted)
        asked_s = typed[:hold_s] || typed[:cap_s]
        return if asked_s.nil? || fitted[:cap_s].nil? || asked_s <= fitted[:cap_s]

        "#{Words.hold(asked_s)} is cut to #{Words.hold(fitted[:cap_s])}: after so much breathing the urge comes " \
        "late, and oxygen may be low by then."
      end

      # @return [String] `2 rounds of 20 breaths, hold to the urge, 45 s at most`
      def pattern_in_words(dose)
        held =
          if to_urge?(dose)
            "to the urge, #{Words.seconds(cap_s(dose))} at most"
          else
            "for #{Words.seconds(hold_s(dose))}, never over #{Words.seconds(cap_s(dose))}"
          end
        "#{Words.count(dose[:rounds], "round")} of #{Words.count(dose[:breaths], "breath")}, " \
        "hold#{" full" if full?(dose)} #{held}"
      end

      # Whoever holds sooner than planned has a shorter cap: it is there for every number of breaths.
      def bounded(compiled, dose, body)
        caps = Physiology::Cap.by_breath(body, compiled, full: full?(dose))
        compiled.with_segments(
          compiled.segments.map do |one|
            if one.limited?
              one.with(caps_s: caps.map { |cap_s| [cap_s, one.seconds, dose[:cap_s]].compact.min.floor }.freeze)
            else
              one
            end
          end
        )
      end

      private

      def starting_dose(_measures) = {breaths: 20, cap_s: nil, recovery_hold_s: 15, rounds: 2}

      def cap_s(dose) = [dose[:cap_s] || UNASKED_CAP_S, 1].max

      def to_urge?(dose) = dose[:hold_s].nil?

      # A planned hold is never longer than its cap.
      def hold_s(dose) = [dose[:hold_s], cap_s(dose)].compact.min

      # First with the cap of the first round, then of all with that one: a round leans on those before it.
      def computed_cap_s(dose, body, before = [])
        cap = ->(own) { Physiology::Cap.seconds(body, [*worked_up(dose), *before, *own]) }
        cap_s = before_holds(dose.merge(cap_s: UNASKED_CAP_S)).first(1).map(&cap).min
        before_holds(dose.merge(cap_s: cap_s)).map(&cap).min.floor
      end

      def full?(dose) = dose[:retention] == "full"

      # What comes before the capped hold of each round.
      def before_holds(dose)
        segments = compile(dose).segments
        segments.each_index.select { |index| segments[index].limited? }.map { |index| segments.take(index) }
      end

      def round(line, dose)
        line.within(phase: :work) do
          dose[:breaths].times { |index| deep_breath(line, dose, index + 1) }
          line.inhale(FILL_S, to: :full, cue: "One full breath in") if full?(dose)
          retention(line, dose)
          recovery(line, dose) unless full?(dose)
        end
        line.within(phase: :rest) do
          line.exhale(OUT_S, to: :passive, cue: "Let go, and breathe naturally")
          rest(line, dose, "Breathe naturally", taken_s: OUT_S)
        end
      end

      def deep_breath(line, dose, number)
        last = number == dose[:breaths]
        line.inhale(setting(dose, :in_s), to: :big, breath: number, cue: "In, fully: #{number} of #{dose[:breaths]}")
        breathe_out(
          line,
          setting(dose, :out_s),
          setting(dose, last ? :last_out : :out_to),
          breath: number,
          cue: last ? "Out, the last" : "Out",
          passive: (last && !full?(dose)) ? "and stay" : "let it fall"
        )
      end

      def retention(line, dose)
        lungs = full?(dose) ? "full" : "empty"
        unless to_urge?(dose)
          return line.hold(hold_s(dose), at_most_ms: cap_s(dose) * 1000, cue: "Hold, #{lungs}, until the word")
        end

        line.hold(cap_s(dose), until: :cap, cue: "Hold, #{lungs}, to the urge")
      end

      def recovery(line, dose)
        line.inhale(FILL_S, to: :full, told: "recovery breath", cue: "One recovery breath in")
        line.hold(dose[:recovery_hold_s], cue: "Hold, full")
      end
    end
  end
end
