# frozen_string_literal: true

module Windlass
  module Protocols
    # F7, full-breath drill. Common practice, no source.
    class FullBreath < Protocol
      EASY_BREATHS = 2
      REST_S = 30

      about id: "full-breath", name: "Full-breath drill", goal: :one_hold, column: :breath, places: %i[chair mat],
        disciplines: APNOEA + WAVES + VOICES, halves: :breaths, hold_key: :hold_s,
        first_breath: :never, trains: "A full breath in three stages, taken slowly, and softness while it is kept.",
        cautions: ["Too tight: let a little out, swallow, or take less. Light-headed: less air, and slower."]

      parameter :hold_s, "hold", :s, 5..30, step: 1, shapes: :hold
      parameter :breaths, "full breaths", :breaths, 1..8, step: 1

      lever :breaths, step: 1, limit: 5
      lever :hold_s, step: 1, limit: 15

      def write(line, dose)
        line.breathe(60, phase: :settle, cue: "Easy breathing through the nose")
        (1..dose[:breaths]).each { |round| line.within(round: round) { round(line, dose) } }
      end

      # @return [String] `3 full breaths, each kept 10 s`
      def in_words(dose) = "#{Words.count(dose[:breaths], "full breath")}, each kept #{Words.seconds(dose[:hold_s])}"

      private

      def starting_dose(_measures) = {hold_s: 10, breaths: 3}

      def round(line, dose)
        line.within(phase: :work) do
          EASY_BREATHS.times do
            line.inhale(3, to: :easy, route: :nose, cue: "Easy in, by the nose")
            line.exhale(4, to: :passive, route: :mouth, cue: "Out by the mouth, not forced")
          end
          line.inhale(4, to: :easy, route: :mouth, narrowed: true, cue: "In, a thin slow stream: the belly")
          line.inhale(4, to: :big, route: :mouth, narrowed: true, cue: "Then the ribs and the chest")
          line.inhale(2, to: :full, route: :mouth, cue: "Last, under the collarbones")
          line.hold(dose[:hold_s], cue: "Keep it: neck and shoulders soft")
        end
        line.within(phase: :rest) do
          line.exhale(4, to: :passive, cue: "Let go")
          line.breathe(REST_S - 4, cue: "Rest, and breathe naturally")
        end
      end
    end
  end
end
