# frozen_string_literal: true

module Windlass
  module Protocols
    # F12, hiss ladder: a steady stream on a beat, each rung twice, four beats longer a rung. Common practice, no
    # source.
    class HissLadder < Protocol
      FIRST_RUNG = 8
      RUNG = 4
      LONGEST = 40
      # Beats for which a big breath is enough; a longer hiss begins full.
      LONG_HISS = 24
      BEATS = 4
      EACH = {"1" => "once", "2" => "twice"}.freeze

      about id: "hiss-ladder",
        name: "Hiss ladder",
        known_as: "singer singing choir song support exhale ribs sustained",
        place: 180,
        counted_aloud: %i[beats up],
        goal: :voice,
        column: :voice,
        places: %i[room chair],
        disciplines: VOICES,
        halves: :top_beats,
        paced: true,
        first_breath: :never,
        judged: :sounds,
        ribs_asked: true,
        trains: "A quiet, steady stream of air while the ribs stay wide.",
        cautions: ["Keep the ribs wide; stop when they drop. If dizzy, rest and breathe gently."]

      parameter :top_beats, "top rung", :beats, FIRST_RUNG..LONGEST, step: RUNG, shapes: :breathing
      parameter :tempo, "tempo", :bpm, 50..120, step: 1, shapes: :breathing

      settles 0, cue: "Stand or sit tall, and breathe easily"
      detail :from_beats, "first rung", :beats, FIRST_RUNG..LONGEST, step: RUNG, usual: FIRST_RUNG, telling: "from %s"
      detail :each, "each rung", choices: EACH, usual: "2"
      detail :in_beats, "breath in", :beats, 1..8, step: 1, usual: BEATS
      detail :keep_beats, "ribs kept wide", :beats, 0..8, step: 1, usual: BEATS, shapes: :breathing
      detail :let_go_beats, "let go", :beats, 0..16, step: 1, shapes: :rest, usual: BEATS
      detail :practice, "practice lines first", choices: Practice::LINES, usual: "none"

      lever :top_beats, step: RUNG, limit: LONGEST
      lever :tempo, step: -3, harder: :down, limit: 60

      def write(line, dose)
        beat_s = Rational(60, 1) / dose[:tempo]
        settle(line, dose)
        Practice.write(
          line,
          dose[:practice],
          fill: ->(**more) { fill(line, dose, beat_s, dose[:top_beats], **more) },
          keep: -> { keep(line, dose, beat_s) },
          let_go: -> { let_go(line, dose, beat_s) }
        )
        rungs(dose)
          .each
          .with_index(1) do |beats, round|
            line.within(round: round, phase: :work) do
              fill(line, dose, beat_s, beats)
              keep(line, dose, beat_s)
              line.exhale(beats * beat_s, to: :passive, beats: beats, sound: :hiss, cue: "Hiss, quiet and steady")
              let_go(line, dose, beat_s)
            end
          end
      end

      # @return [String] `8 to 16 beats of hiss, each twice, 66 beats a minute`
      def pattern_in_words(dose)
        "#{rungs(dose).minmax.uniq.join(" to ")} beats of hiss, each #{EACH.fetch(setting(dose, :each))}, " \
        "#{Words.number(dose[:tempo])} beats a minute"
      end

      def lightened(dose) =
        dose.merge(top_beats: [Numbers.down_to_multiple(dose[:top_beats] * LIGHT_HOLD, RUNG), FIRST_RUNG].max).freeze

      # Half of a ladder is a lower one, on a rung.
      def halved(dose) =
        dose.merge(top_beats: [Numbers.down_to_multiple(dose[:top_beats] / 2, RUNG), FIRST_RUNG].max).freeze

      private

      # The breath of the letting go is part of what the body needs.
      SHARE_OF_NEED = 4 / 5r
      private_constant :SHARE_OF_NEED

      def needs_of_breath(_segment, _dose) = SHARE_OF_NEED

      # The largest rung not over eight tenths of the sustained exhale, 8 to 16.
      def starting_dose(measures)
        known = measures.sustained_exhale_beats
        top = known ? Numbers.down_to_multiple(known * 4/5r, RUNG).clamp(FIRST_RUNG, 16) : 16
        {top_beats: top, tempo: 66}
      end

      # @return [Array<Integer>] beats of every hiss; a top between two rungs is the last rung, and one under the first
      #   the only one
      def rungs(dose)
        rungs = (setting(dose, :from_beats)..dose[:top_beats]).step(RUNG).to_a
        (rungs | [dose[:top_beats]]).flat_map { |beats| [beats] * setting(dose, :each).to_i }
      end

      # Told with the pattern already.
      def details_in_words(dose) = super(dose.except(:each, :from_beats))

      def fill(line, dose, beat_s, beats, **more)
        counted = setting(dose, :in_beats)
        line.inhale(
          counted * beat_s,
          to: (beats > LONG_HISS) ? :full : :big,
          beats: counted,
          cue: "In: belly, ribs, chest last",
          **more
        )
      end

      def keep(line, dose, beat_s)
        counted = setting(dose, :keep_beats)
        line.hold(counted * beat_s, beats: counted, told: "ribs wide", cue: "Ribs stay wide, engaged")
      end

      def let_go(line, dose, beat_s)
        counted = setting(dose, :let_go_beats)
        if counted > 0
          line.breathe(
            counted * beat_s,
            rate: dose[:tempo] / BEATS.to_f,
            beats: counted,
            phase: :rest,
            told: "let go",
            cue: "Let go"
          )
        end
      end
    end
  end
end
