# frozen_string_literal: true

module Windlass
  module Protocols
    # F12, hiss ladder: a steady stream on a beat, each rung twice, four beats longer a rung. Common practice, no source.
    class HissLadder < Protocol
      FIRST_RUNG = 8
      RUNG = 4
      LONGEST = 40
      # Beats for which a big breath is enough; a longer hiss begins full.
      LONG_HISS = 24
      EACH = 2
      BEATS = 4

      about id: "hiss-ladder", name: "Hiss ladder", goal: :voice, column: :voice, places: %i[room chair], disciplines: VOICES,
        halves: :top_beats,
        first_breath: :never, judged: :sounds, trains: "A quiet, steady stream of air while the ribs stay wide.",
        cautions: ["The ribs do not drop; when they do, the rung is long enough. Dizzy: rest, and breathe small."]

      parameter :top_beats, "top rung", :beats, FIRST_RUNG..LONGEST, step: RUNG, shapes: :breathing
      parameter :tempo, "tempo", :bpm, 50..120, step: 1, shapes: :breathing

      lever :top_beats, step: RUNG, limit: LONGEST
      lever :tempo, step: -3, harder: :down, limit: 60

      def write(line, dose)
        beat_s = Rational(60, 1) / dose[:tempo]
        rungs(dose).each.with_index(1) do |beats, round|
          line.within(round: round, phase: :work) do
            line.inhale(BEATS * beat_s, to: (beats > LONG_HISS) ? :full : :big, beats: BEATS, cue: "In: belly, ribs, chest last")
            line.hold(BEATS * beat_s, beats: BEATS, cue: "Keep the width")
            line.exhale(beats * beat_s, to: :passive, beats: beats, sound: :hiss, cue: "Hiss, quiet and steady")
            line.breathe(BEATS * beat_s, rate: dose[:tempo] / BEATS.to_f, beats: BEATS, phase: :rest, cue: "Let go")
          end
        end
      end

      # @return [String] `8 to 16 beats of hiss, each twice, 66 beats a minute`
      def in_words(dose)
        "#{rungs(dose).minmax.uniq.join(" to ")} beats of hiss, each twice, #{Words.number(dose[:tempo])} beats a minute"
      end

      def lightened(dose) = dose.merge(top_beats: [Numbers.down_to_multiple(dose[:top_beats] * LIGHT_HOLD, RUNG), FIRST_RUNG].max).freeze

      # Half of a ladder is a lower one, on a rung.
      def halved(dose) = dose.merge(top_beats: [Numbers.down_to_multiple(dose[:top_beats] / 2, RUNG), FIRST_RUNG].max).freeze

      private

      # The largest rung not over eight tenths of the sustained exhale, 8 to 16.
      def starting_dose(measures)
        known = measures.sustained_exhale_beats
        top = known ? Numbers.down_to_multiple(known * 4/5r, RUNG).clamp(FIRST_RUNG, 16) : 16
        {top_beats: top, tempo: 66}
      end

      # @return [Array<Integer>] beats of every hiss; a top between two rungs is the last rung
      def rungs(dose)
        rungs = (FIRST_RUNG..dose[:top_beats]).step(RUNG).to_a
        (rungs | [dose[:top_beats]]).flat_map { |beats| [beats] * EACH }
      end
    end
  end
end
