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
        first_breath: :end, trains: "Knowing what is comfortable: suspend full, suspend empty, each for as long as it stays easy.",
        cautions: ["One, two or three seconds are a fine baseline. Dizzy, or not today: long deep breathing in its place."]

      parameter :minutes, "minutes", :min, 1..10, step: 1

      lever :minutes, step: 1, limit: 5

      # Whole cycles that fill the minutes; on the deck it ends at its time, on a breath.
      def write(line, dose)
        cycles = cycles(dose, SUSPEND_S)
        share = dose[:minutes].to_r * 60 / cycles / (IN_S + OUT_S + 2 * SUSPEND_S)
        (1..cycles).each { |cycle| line.within(round: cycle, phase: :work) { cycle(line, share, SUSPEND_S) } }
      end

      # Every suspension ends while the oxygen is well above the floor, even if each of them is as long.
      def bounded(compiled, dose, body)
        longest_s = (SHARE * Physiology::LongestSuspension.seconds(body) { |seconds| suspending(dose, seconds, body) }).floor
        Timeline::Compiled.new(compiled.segments.map { |one| one.hold? ? one.with(at_most_ms: [longest_s, SUSPEND_S].max * 1000) : one })
      end
      # Of what the model allows.
      SHARE = 9/10r

      # Of rounds at one's own pace none are owed.
      def rounds(_dose) = 0

      # @return [String] `3 min, suspending full and empty as long as it is comfortable`
      def in_words(dose) = "#{Words.length(dose[:minutes] * 60)}, suspending full and empty as long as it is comfortable"

      private

      def starting_dose(_measures) = {minutes: 3}

      def cycles(dose, suspend_s) = (dose[:minutes] * 60 / (IN_S + OUT_S + 2 * suspend_s).to_r).ceil

      # The whole session with all suspensions of one length.
      def suspending(dose, seconds, body)
        compiled = Timeline::Compiler.compile { |line| cycles(dose, seconds).times { cycle(line, 1, seconds) } }
        Timeline::Depths.fitted(compiled, body) { |segment| needs_of_breath(segment) }.segments
      end

      def cycle(line, share, suspend_s)
        line.inhale(IN_S * share, to: :easy, cue: "Breathe in")
        line.hold(suspend_s * share, until: :comfort, cue: "Suspend, full, while it is easy")
        line.exhale(OUT_S * share, to: :passive, cue: "Breathe out, slowly")
        line.hold(suspend_s * share, until: :comfort, cue: "Suspend, empty, while it is easy")
      end
    end
  end
end
