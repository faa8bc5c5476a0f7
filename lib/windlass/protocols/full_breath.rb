# frozen_string_literal: true

module Windlass
  module Protocols
    # F7, full-breath drill. Common practice, no source.
    class FullBreath < Protocol
      OUT_S = 4
      # Levels at which the stages end, and what is said in each.
      STAGES = [
        [:easy, "belly", "In by the mouth, a thin slow stream: the belly"],
        [:big, "chest", "By the mouth, a thin stream: the ribs and the chest"],
        [:full, "collarbones", "By the mouth, the last: under the collarbones"]
      ].freeze
      STAGES_S = [4, 4, 2].freeze
      # The full breath of an experienced diver lasts a minute at most.
      LONGEST_STAGE_S = 20
      LEADS = {"easy" => "easy", "big" => "medium"}.freeze
      THROAT = {
        "quiet" => "quiet",
        "audible" => "audible",
        "belly" => "narrow for the belly",
        "chest" => "narrow for the ribs",
        "collarbones" => "narrow for the collarbones"
      }.freeze
      SHOULDERS = {"soft" => "soft throughout", "up" => "up with the last air, then loose"}.freeze

      about id: "full-breath",
        name: "Full-breath drill",
        known_as: "big breath dry dive peak inhale",
        place: 60,
        counted_aloud: %i[seconds down],
        goal: :one_hold,
        column: :breath,
        places: %i[chair mat],
        disciplines: APNOEA + WAVES + VOICES,
        halves: :breaths,
        hold_key: :hold_s,
        first_breath: :never,
        trains: "A full breath in three stages, taken slowly, and softness while it is kept.",
        cautions: ["Too tight: let a little out, swallow, or take less. Light-headed: less air, and slower."]

      parameter :hold_s, "hold", :s, 5..30, step: 1, shapes: :hold
      parameter :breaths, "full breaths", :breaths, 1..8, step: 1
      settles 60, cue: "Easy breathing through the nose"
      detail :leads, "lead-in breaths", :breaths, 0..4, step: 1, shapes: :breathing, usual: 2, telling: "%s to lead in"
      detail :lead_size, "size of the lead-in breaths", choices: LEADS, usual: "easy"
      detail :lead_out, "how far they go out", choices: Parts::OUT_TO, usual: "passive"
      detail :lead_in_s, "lead-in, in", :s, 1..10, step: 0.5, shapes: :breathing, usual: 3
      detail :lead_out_s, "lead-in, out", :s, 1..12, step: 0.5, shapes: :breathing, usual: 4
      detail :stages_s,
        "belly, ribs, collarbones",
        :s,
        0..LONGEST_STAGE_S,
        step: 1,
        numbers: 3,
        shapes: :breathing,
        usual: STAGES_S
      detail :throat, "throat", choices: THROAT, usual: "quiet"
      detail :shoulders, "shoulders", choices: SHOULDERS, usual: "soft"
      rests 30

      lever :breaths, step: 1, limit: 5
      lever :hold_s, step: 1, limit: 15

      def write(line, dose)
        settle(line, dose)
        (1..dose[:breaths]).each { |round| line.within(round: round) { round(line, dose) } }
      end

      # A stage that is left out can not be the narrow one.
      def faults(dose)
        found = super
        stage = STAGES.index { |_, told, _| told == setting(dose, :throat) }
        return found if found.any? || stage.nil? || setting(dose, :stages_s)[stage].positive?

        {throat: "#{setting(dose, :throat)} is left out: it takes 0 s"}
      end

      # @return [String] `3 full breaths, each kept 10 s`
      def pattern_in_words(dose) =
        "#{Words.count(dose[:breaths], "full breath")}, #{"each " if dose[:breaths] > 1}kept " \
        "#{Words.seconds(dose[:hold_s])}"

      private

      def starting_dose(_measures) = {hold_s: 10, breaths: 3}

      def round(line, dose)
        line.within(phase: :work) do
          setting(dose, :leads).times { lead_in(line, dose) }
          STAGES
            .zip(setting(dose, :stages_s))
            .each do |(level, told, cue), seconds|
              line.inhale(
                seconds,
                to: level,
                told: told_of(dose, told),
                route: :mouth,
                narrowed: level != :full || nil,
                cue: stage_cue(dose, level, told, cue)
              )
            end
          line.hold(
            dose[:hold_s],
            calls: relief(dose),
            cue:
              (
                if setting(dose, :shoulders) == "up"
                  "Keep it: let the shoulders drop loose"
                else
                  "Keep it: neck and shoulders soft"
                end
              )
          )
        end
        line.within(phase: :rest) do
          line.exhale(OUT_S, to: :passive, told: "let go", cue: "Let go")
          rest(line, dose, "Rest, and breathe naturally", taken_s: OUT_S)
        end
      end

      # @param stage [String] what is told of it
      def told_of(dose, stage) =
        case setting(dose, :throat)
        when "audible"
          "#{stage}, audible"
        when stage
          "#{stage}, throat narrowed"
        else
          stage
        end

      # What helps is said early in a hold that leaves the time.
      RELIEF = "Too tight: let a little out"
      RELIEF_MS = 4000
      RELIEF_FROM_S = 8
      LOOSE = [1500, "Shoulders loose"].freeze
      private_constant :RELIEF, :RELIEF_MS, :RELIEF_FROM_S, :LOOSE

      # @return [Array<Array(Integer, String)>, nil] as a segment has them
      def relief(dose)
        [
          (LOOSE if setting(dose, :shoulders) == "up"),
          ([RELIEF_MS, RELIEF].freeze if dose[:hold_s] >= RELIEF_FROM_S)
        ].compact.then { |calls| calls.freeze if calls.any? }
      end

      def lead_in(line, dose)
        line.inhale(
          setting(dose, :lead_in_s),
          to: setting(dose, :lead_size).to_sym,
          route: :nose,
          told: ("medium breath" if setting(dose, :lead_size) == "big"),
          cue: "In by the nose, #{LEADS.fetch(setting(dose, :lead_size))}"
        )
        breathe_out(
          line,
          setting(dose, :lead_out_s),
          setting(dose, :lead_out),
          route: :mouth,
          cue: "Out by the mouth",
          passive: "not forced"
        )
      end

      def stage_cue(dose, level, stage, cue)
        [
          cue,
          {"audible" => "the throat audible", stage => "the throat narrow"}[setting(dose, :throat)],
          ("the shoulders up" if level == :full && setting(dose, :shoulders) == "up")
        ].compact.join(", ")
      end

      # Easy ones are as big as the body needs them, medium ones half as big again: whatever is more washes carbon
      # dioxide out.
      LEAD_NEEDS = {easy: 1, big: 3 / 2r}.freeze
      private_constant :LEAD_NEEDS

      def needs_of_breath(segment, _dose) = (LEAD_NEEDS[segment.to] if segment.route == :nose)
    end
  end
end
