# frozen_string_literal: true

module Windlass
  module Protocols
    # F14, own-pace suspension: as long as comfortable, full and empty, for a set time. Common practice, no source.
    class OwnPace < Protocol
      # What a cycle is expected to be: in, suspend, out, suspend. The suspensions end by hand.
      IN_S = 3
      SUSPEND_S = 2
      OUT_S = 4

      about id: "own-pace", name: "Own-pace suspension", goal: :baseline, column: :retention, places: %i[chair mat], halves: :minutes,
        by_minutes: true, paced: true,
        trains: "Knowing what is comfortable: suspend full, suspend empty, each for as long as it stays easy.",
        cautions: ["One, two or three seconds are a fine baseline. Dizzy, or not today: long deep breathing in its place."]

      parameter :minutes, "minutes", :min, 1..10, step: 1

      lever :minutes, step: 1, limit: 5

      # Whole cycles that fill the minutes; on the deck it ends at its time, on a breath.
      def write(line, dose)
        cycles = (dose[:minutes] * 60 / (IN_S + OUT_S + 2 * SUSPEND_S).to_r).ceil
        share = dose[:minutes].to_r * 60 / cycles / (IN_S + OUT_S + 2 * SUSPEND_S)
        (1..cycles).each { |cycle| line.within(round: cycle, phase: :work) { cycle(line, share) } }
      end

      # Of rounds at one's own pace none are owed.
      def rounds(_dose) = 0

      # @return [String] `3 min, suspending full and empty as long as it is comfortable`
      def in_words(dose) = "#{Words.length(dose[:minutes] * 60)}, suspending full and empty as long as it is comfortable"

      private

      def starting_dose(_measures) = {minutes: 3}

      def cycle(line, share)
        line.inhale(IN_S * share, to: :easy, cue: "Breathe in")
        line.hold(SUSPEND_S * share, until: :comfort, cue: "Suspend, full, while it is easy")
        line.exhale(OUT_S * share, to: :passive, cue: "Breathe out, slowly")
        line.hold(SUSPEND_S * share, until: :comfort, cue: "Suspend, empty, while it is easy")
      end
    end
  end
end
