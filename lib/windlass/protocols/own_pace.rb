# frozen_string_literal: true

module Windlass
  module Protocols
    # F14, own-pace suspension: as long as comfortable, full and empty, for a set time. Common practice, no source.
    class OwnPace < Protocol
      # What a suspension is expected to be; it ends by hand.
      SUSPEND_S = 2
      MOST_ADDED_S = 3
      # When the time that is left is called, seconds before the end.
      LAST_ROUND = "Last round"
      BREATHS = {
        "led" => "led by the clock",
        "own" => "at their own pace",
        "time" => "at their own pace, only the time is called"
      }.freeze
      # A breath at one's own pace that no hand ends lasts so many times as long as planned, at most.
      LONGEST_BREATH = 3
      OWN_PACE = "At your own pace"

      about id: "own-pace",
        name: "Own-pace suspension",
        known_as: "natural suspension",
        also: "kevala kumbhaka",
        place: 20,
        goal: :baseline,
        column: :retention,
        places: %i[chair mat],
        halves: :minutes,
        by_minutes: true,
        paced: true,
        first_breath: :end,
        trains: "Knowing what is comfortable: suspend full, suspend empty, each for as long as it stays easy.",
        cautions: [
          "One, two or three seconds are a fine baseline. Dizzy, or not today: long deep breathing in its place."
        ]

      parameter :minutes, "minutes", :min, 1..10, step: 0.5
      settles 0, cue: "Breathe easily"
      detail :suspend_s, "a suspension, expected", :s, 1..15, step: 1, shapes: :hold, usual: SUSPEND_S
      detail :in_s, "breath in", :s, 1..10, step: 0.5, shapes: :breathing, usual: 3
      detail :out_s, "breath out", :s, 1..15, step: 0.5, shapes: :breathing, usual: 4
      detail :breaths, "breaths", choices: BREATHS, usual: "led"

      lever :minutes, step: 1, limit: 5
      lever :suspend_s, step: 1, limit: SUSPEND_S + MOST_ADDED_S, read: ->(dose) { dose.fetch(:suspend_s, SUSPEND_S) }

      # Whole cycles that fill the minutes; on the deck it ends at its time, on a breath.
      def write(line, dose)
        settle(line, dose)
        cycles = cycles(dose, suspend_s(dose))
        share = dose[:minutes].to_r * 60 / cycles / cycle_s(dose, suspend_s(dose))
        (1..cycles).each do |cycle|
          line.within(round: cycle, phase: :work) { cycle(line, dose, share, suspend_s(dose)) }
        end
      end

      # What is left is called: two minutes, one, and the last round.
      # @return [Array<Array(Integer, String)>] milliseconds of the session's clock
      def calls(dose)
        whole_s = setting(dose, :settle_s) + dose[:minutes] * 60
        last_round_s = whole_s - cycle_s(dose, suspend_s(dose))
        timed =
          SlowBreaths.calls(dose[:minutes]).map { |at_ms, words| [at_ms + setting(dose, :settle_s) * 1000, words] }
        [*timed, [(last_round_s * 1000).round, LAST_ROUND]]
      end

      # Every suspension ends while the oxygen is well above the floor, even if each of them is as long; and no breath
      # goes on for ever.
      def bounded(compiled, dose, body)
        longest_s =
          (SHARE * Physiology::LongestSuspension.seconds(body) { |seconds| suspending(dose, seconds, body) }).floor
        compiled.with_segments(
          compiled.segments.map do |one|
            next one.with(at_most_ms: [[longest_s, SUSPEND_S].max * 1000, one.ms].max) if one.hold?

            (one.until == :comfort) ? one.with(at_most_ms: one.ms * LONGEST_BREATH) : one
          end
        )
      end
      # Of what the model allows.
      SHARE = 9 / 10r

      def baseline? = true

      # Of rounds at one's own pace none are owed.
      def rounds(_dose) = 0

      # @return [String] `3 min, suspending full and empty as long as it is comfortable`
      def pattern_in_words(dose)
        about = "about #{Words.seconds(suspend_s(dose))}, or " if dose.key?(:suspend_s)
        "#{Words.length(dose[:minutes] * 60)}, suspending full and empty #{about}as long as it is comfortable"
      end

      private

      def starting_dose(_measures) = {minutes: 3}

      # Told with the pattern already.
      def details_in_words(dose) = super(dose.except(:suspend_s))

      def suspend_s(dose) = setting(dose, :suspend_s)

      # In, suspend, out, suspend.
      def cycle_s(dose, suspend_s) = (setting(dose, :in_s) + setting(dose, :out_s) + 2 * suspend_s).to_r

      def cycles(dose, suspend_s) = (dose[:minutes] * 60 / cycle_s(dose, suspend_s)).ceil

      # The whole session with all suspensions of one length.
      def suspending(dose, seconds, body)
        compiled = Timeline::Compiler.compile { |line| cycles(dose, seconds).times { cycle(line, dose, 1, seconds) } }
        Timeline::Depths.fitted(compiled, body) { |segment| needs_of_breath(segment, dose) }.segments
      end

      def cycle(line, dose, share, suspend_s)
        open = (setting(dose, :breaths) == "own") ? :comfort : nil
        quiet = setting(dose, :breaths) == "time"
        part = ->(cue) { {cue: quiet ? OWN_PACE : cue, silent: quiet || nil} }
        line.inhale(setting(dose, :in_s) * share, to: :easy, until: open, **part["Breathe in"])
        line.hold(suspend_s * share, until: :comfort, **part["Suspend, full, while it is easy"])
        line.exhale(setting(dose, :out_s) * share, to: :passive, until: open, **part["Breathe out, slowly"])
        line.hold(suspend_s * share, until: :comfort, **part["Suspend, empty, while it is easy"])
      end
    end
  end
end
