# frozen_string_literal: true

module Windlass
  module Protocols
    # F6, breathe-up and single hold. Common practice, no source.
    class SingleHold < Protocol
      FILL_S = 8
      HOOK_BREATHS = 3
      HOOK_S = 3
      OUT_S = 3
      # Between two holds on dry land: usually, and wanted from this share of the maximal hold on; and never less.
      USUAL_REST_S = 180
      LONG_SHARE = 3 / 5r
      LEAST_REST_S = 120
      LEADS = {"easy" => "as small as the others", "big" => "medium"}.freeze

      about id: "single-hold",
        name: "Breathe-up and single hold",
        known_as: "static apnea apnoea maximal dive diver freediving longest",
        place: 130,
        counted_aloud: %i[seconds up],
        goal: :one_hold,
        column: :tables,
        places: %i[chair mat],
        disciplines: APNOEA,
        needs: {maximal_hold_s: 40},
        shortest_hold_s: 5,
        hold_key: :hold_s,
        clean_sessions: 3,
        strenuous: true,
        once_a_day: true,
        halves: :holds,
        trains:
          "One long, easy hold: a slow breathe-up, one medium breath, one full breath, and hook breaths after it.",
        cautions: [
          "No over-breathing, ever: longer out than in, and one medium breath before the full one. Dry only."
        ]

      parameter :in_s, "breathe-up, in", :s, 1..8, step: 0.5, shapes: :breathing
      parameter :out_s, "breathe-up, out", :s, 2..16, step: 0.5, shapes: :breathing
      parameter :breathe_up_s, "breathe-up", :s, 30..300, step: 10, shapes: :breathing
      parameter :hold_s, "hold", :s, 5..420, step: 5, shapes: :hold
      parameter :holds, "holds", :holds, 1..3, step: 1
      detail :rest_s, "recovery between holds, breathe-up and all", :s, 30..1200, step: 10, shapes: :rest
      detail :leads, "lead-in breaths", :breaths, 0..4, step: 1, shapes: :breathing, usual: 1, telling: "%s to lead in"
      detail :lead_size, "size of the lead-in breaths", choices: LEADS, usual: "big"
      detail :lead_in_s, "lead-in, in", :s, 1..10, step: 0.5, shapes: :breathing, usual: 4
      detail :lead_out_s, "lead-in, out", :s, 1..12, step: 0.5, shapes: :breathing, usual: 6
      detail :fill_s, "full breath in", :s, 2..60, step: 1, shapes: :breathing, usual: FILL_S
      detail :entered, "comes in", choices: Parts::ENTERED, usual: "none"

      lever :hold_s,
        step: 5,
        limit: ->(measures) { Numbers.down_to_multiple(measures.maximal_hold_s * 4/5r, 5) },
        limit_words: "80 % of the maximal hold"
      lever :holds, step: 1, limit: 3

      def write(line, dose)
        (1..dose[:holds]).each do |round|
          line.within(round: round) do
            (round > 1) ? recover(line, dose, rest_s(dose, round)) : prepare(line, dose, dose[:breathe_up_s])
            line.hold(dose[:hold_s], phase: :work, cue: "Hold, full and soft")
          end
        end
        line.within(phase: :rest) { hook(line, Table::WATCH_S) }
      end

      # The stopwatch runs from the end of a hold to the start of the next one. What is typed and is too little is said
      # once.
      # @param measures [Measures::Values, nil]
      def warnings(dose, measures = nil)
        typed =
          (2..dose[:holds]).filter_map do |round|
            if typed_rest_s(dose, round)
              [typed_rest_s(dose, round), least_rest_s(dose, round), wanted_rest_s(dose, round, measures)]
            end
          end
        short = typed.find { |typed_s, least_s, _| typed_s < least_s }
        if short
          return [
            [
              :rest_s,
              :care,
              "#{Words.clock(short[0])} of recovery is raised to #{Words.clock(short[1])}: at least twice the hold " \
              "before it, and #{Words.clock(LEAST_REST_S)}."
            ]
          ]
        end

        tight = typed.find { |typed_s, _, wanted_s| typed_s < wanted_s }
        if tight
          [
            [
              :rest_s,
              :care,
              "#{Words.clock(tight[0])} of recovery: from #{(LONG_SHARE * 100).to_i} % of the maximal hold on, " \
              "#{Words.clock(USUAL_REST_S)} is wanted."
            ]
          ]
        else
          []
        end
      end

      # However long the breathe-up, and however many lead-in breaths: more than this before a hold is over-breathing.
      def washout_limit(_segment) = Physiology::OVER_BREATHED_MMHG

      # @return [String] `1 hold of 1:10 after 2:00 of breathe-up, in 3 s and out 6 s`
      def pattern_in_words(dose)
        "#{Words.count(dose[:holds], "hold")} of #{Words.hold(dose[:hold_s])} after " \
        "#{Words.clock(dose[:breathe_up_s])} of breathe-up, " \
          "in #{Words.seconds(dose[:in_s])} and out #{Words.seconds(dose[:out_s])}"
      end

      private

      # A breathe-up is as big as the body needs it, and the medium breath twice that, to the big level at most:
      # whatever is more washes carbon dioxide out before the hold.
      BREATHE_UP_NEEDS = {easy: 1, big: 2}.freeze
      private_constant :BREATHE_UP_NEEDS

      def needs_of_breath(segment, _dose) = (BREATHE_UP_NEEDS[segment.to] if segment.phase == :settle)

      def starting_dose(measures)
        hold_s = Numbers.down_to_multiple(measures.maximal_hold_s * 3/5r, 5)
        {in_s: 3, out_s: 6, breathe_up_s: 120, hold_s: hold_s, holds: 1}
      end

      # Before which hold: what the coach says, or three minutes; never less than twice the hold before it, and two
      # minutes.
      def rest_s(dose, round) = [typed_rest_s(dose, round) || USUAL_REST_S, least_rest_s(dose, round)].max

      def typed_rest_s(dose, round) = changed(dose, round)[:rest_s] || dose[:rest_s]

      def least_rest_s(dose, round) = [2 * held_s(dose, round - 1), LEAST_REST_S].max

      # More after a hold that is long for this athlete.
      def wanted_rest_s(dose, round, measures)
        best_s = measures&.maximal_hold_s
        (best_s && held_s(dose, round - 1) >= best_s * LONG_SHARE) ? USUAL_REST_S : 0
      end

      # The recovery is told as it will be.
      def details_in_words(dose) = super(dose.key?(:rest_s) ? dose.merge(rest_s: rest_s(dose, 2)) : dose)

      def held_s(dose, round) = changed(dose, round)[:hold_s] || dose[:hold_s]

      def changed(dose, round) = dose.fetch(:breaks, []).find { |one| one[:round] == round } || {}

      # Rests are written as they are.
      def breaks_of_pattern(dose) = super.map { |one| one.except(:rest_s) }

      # From the end of a hold to the start of the next one: hook breaths, natural breathing, and the breathe-up are all
      # of it. Where there is little time the breathe-up is shorter.
      def recover(line, dose, rest_s)
        left_s = rest_s - HOOK_BREATHS * HOOK_S - OUT_S - filling_s(dose)
        up_s = left_s.clamp(0, dose[:breathe_up_s])
        line.within(phase: :rest) { hook(line, rest_s - filling_s(dose) - up_s) }
        prepare(line, dose, up_s)
      end

      # Lead-in breaths and the full breath.
      def filling_s(dose) =
        setting(dose, :leads) * (setting(dose, :lead_in_s) + setting(dose, :lead_out_s)) + setting(dose, :fill_s)

      # The hook breaths are the beginning of a rest.
      def hook(line, seconds)
        HOOK_BREATHS.times do
          line.exhale(1, to: :big, cue: "Short out")
          line.inhale(2, to: :full, cue: "Full in, and keep it a moment")
        end
        line.exhale(OUT_S, to: :passive, cue: "Out, without force")
        line.breathe(seconds - HOOK_BREATHS * HOOK_S - OUT_S, cue: "Breathe naturally")
      end

      # Whole breaths that fill the breathe-up, then the lead-in breaths, out to passive, and one full breath.
      def prepare(line, dose, breathe_up_s)
        line.within(phase: :settle) do
          if breathe_up_s > 0
            SlowBreaths.write(
              line,
              breathe_up_s,
              dose[:in_s],
              dose[:out_s],
              cues: ["In by the nose, belly first, the chest still", "Out, twice as long"]
            )
          end
          setting(dose, :leads).times { lead_in(line, dose) }
          line.inhale(setting(dose, :fill_s), to: :full, cue: "One full breath in")
        end
      end

      def lead_in(line, dose)
        size = setting(dose, :lead_size)
        line.inhale(
          setting(dose, :lead_in_s),
          to: size.to_sym,
          told: ("medium breath" if size == "big"),
          cue: "One #{(size == "big") ? "medium" : "easy"} breath in"
        )
        line.exhale(setting(dose, :lead_out_s), to: :passive, cue: "Out, passively")
      end
    end
  end
end
