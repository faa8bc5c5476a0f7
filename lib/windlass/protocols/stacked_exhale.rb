# frozen_string_literal: true

module Windlass
  module Protocols
    # F13, stacked inhales and a staged exhale, then the same on notes, then released. Common practice, no source.
    class StackedExhale < Protocol
      STEP_S = 2
      # The staged exhale: sound, share of the breath that is left at its end, cue. Two beats each.
      STAGES = [
        [:blow, 3 / 4r, nil, "Blow"],
        [:hiss, 1 / 2r, nil, "Hiss"],
        [:shush, 1 / 4r, "soft shh", "Soft sh"],
        [:shush, 0, "loud shh", "Loud sh"]
      ].freeze
      STAGE_BEATS = 2
      SLIDE_BEATS = 8
      STACKED = 4
      RELEASED_REST_S = 15
      USUAL_TEMPO = 60

      FORMS = {
        "all" => "staged, sung, released",
        "staged" => "staged only",
        "sung" => "sung only",
        "released" => "released only, for afterwards"
      }.freeze

      # Steps of the major scale, and how far each lies above the first, semitones.
      STEPS = {1 => 0, 2 => 2, 3 => 4, 4 => 5, 5 => 7, 6 => 9, 7 => 11, 8 => 12}.freeze
      SCALES = {
        "none" => [],
        "up" => [1, 2, 3, 4, 5],
        "down" => [5, 4, 3, 2, 1],
        "there" => [1, 2, 3, 2, 1],
        "third" => [1, 3, 5, 3, 1],
        "octave" => [8, 7, 6, 5, 4, 3, 2, 1]
      }.freeze
      SAID = %w[one two three four five six seven eight].freeze
      SCALE_WORDS = SCALES.to_h { |key, steps| [key, steps.empty? ? "none" : steps.join(" ")] }.freeze
      SCALED = {"sung" => "in the sung part", "released" => "in the released part", "both" => "in both"}.freeze

      about id: "stacked-exhale",
        name: "Stacked inhales, staged exhale",
        known_as: "singer singing choir song notes sips",
        place: 190,
        counted_aloud: %i[seconds down],
        goal: :voice,
        column: :voice,
        places: %i[room chair],
        disciplines: VOICES,
        halves: :repeats,
        paced: true,
        first_breath: :never,
        judged: :sounds,
        trains: "Filling in steps, letting go in steps, and the stillness after the end of the air.",
        cautions: ["The empty hold stays easy. Before a rehearsal or a show, and after it."]

      parameter :longest_hold_s, "longest empty hold", :s, 2..10, step: 2, shapes: :hold
      parameter :repeats, "times through", :repeats, 1..4, step: 1
      settles 30, cue: "Stand or sit tall, and breathe easily"
      detail :form, "which parts", choices: FORMS, usual: "all"
      detail :tempo, "tempo", :bpm, 40..120, step: 1, shapes: :breathing, usual: USUAL_TEMPO
      detail :sung_hold_s, "longest empty hold, sung", :s, 2..12, step: 2, shapes: :hold
      rests 20
      detail :note, "reference note", choices: Notes::CHOICES, usual: "none"
      detail :note_step, "step from note to note", :semitones, 0..4, step: 1, usual: 2
      detail :note_way, "the notes go", choices: {"up" => "up", "down" => "down"}, usual: "up"
      detail :scale, "steps of the scale", choices: SCALE_WORDS, usual: "none"
      detail :scale_in, "and where", choices: SCALED, usual: "sung", telling: "%s"
      detail :released, "released breaths", :number, 0..8, step: 1, usual: 1
      detail :practice, "practice lines first", choices: Practice::LINES, usual: "none"

      lever :longest_hold_s, step: STEP_S, limit: 10
      lever :repeats, step: 1, limit: 3

      def write(line, dose)
        settle(line, dose)
        beat_s = beat_s(dose)
        Practice.write(
          line,
          dose[:practice],
          fill: ->(**more) { sniffs(line, beat_s, 2, **more) },
          keep: -> { line.hold(2 * beat_s, cue: "Practice: keep the width") },
          let_go: -> { line.exhale(STAGE_BEATS * beat_s, to: :passive, cue: "Practice: let go") }
        )
        (rounds_of(dose) * dose[:repeats])
          .each
          .with_index(1) do |(form, hold_s, step), round|
            line.within(round: round, phase: :work) { round(line, dose, form, hold_s, step) }
          end
      end

      # @return [String] `2 to 6 s of empty hold, blown and sung, once through`
      def pattern_in_words(dose)
        times = {1 => "once", 2 => "twice"}.fetch(dose[:repeats]) { "#{dose[:repeats]} times" }
        if setting(dose, :form) == "released"
          return "#{Words.count(setting(dose, :released), "released breath")}, #{times} through"
        end

        sounds = {"staged" => "blown", "sung" => "sung"}.fetch(setting(dose, :form), "blown and sung")
        holds = [STEP_S, dose[:longest_hold_s]].uniq.map { |seconds| Words.number(seconds) }.join(" to ")
        "#{holds} s of empty hold, #{sounds}, #{times} through"
      end

      def longest_hold_s(dose) = compile(dose).holds.map { |place| place.segment.seconds }.max || 0

      private

      # Told with the pattern already; and no scale where nothing is sung that would go through it.
      def details_in_words(dose)
        told = [:form, *(:released if setting(dose, :form) == "released"), *(%i[scale scale_in] unless scaled?(dose))]
        super(dose.except(*told))
      end

      def scaled?(dose) = rounds_of(dose).any? { |form, *| scale?(dose, form.to_s) }

      def starting_dose(_measures) = {longest_hold_s: 6, repeats: 1}

      def beat_s(dose) = Rational(60) / setting(dose, :tempo)

      # @return [Array<Array(Symbol, Numeric, Integer)>] form, empty hold, place among the notes
      def rounds_of(dose)
        parts = {staged: dose[:longest_hold_s], sung: dose[:sung_hold_s] || dose[:longest_hold_s]}
        wanted = setting(dose, :form)
        held =
          parts
            .select { |form, _| [form.to_s, "all"].include?(wanted) }
            .flat_map do |form, longest_s|
              (STEP_S..longest_s).step(STEP_S).map.with_index { |hold_s, step| [form, hold_s, step] }
            end
        held + (%w[released all].include?(wanted) ? Array.new(setting(dose, :released)) { [:released, nil, 0] } : [])
      end

      def round(line, dose, form, hold_s, step)
        return released(line, dose) if form == :released

        line.within(tempo: setting(dose, :tempo)) do
          sniffs(line, beat_s(dose), 2)
          (form == :staged) ? staged(line, dose) : sung(line, dose, step)
          line.hold(hold_s, cue: "Hold, empty")
        end
        line.within(phase: :rest) { rest(line, dose, "Breathe, small and easy") }
      end

      def sniffs(line, beat_s, count, cue: nil)
        count.times do |index|
          line.inhale(
            beat_s,
            to: :big,
            route: :nose,
            told: index.zero? ? "sniff in" : "on top",
            cue: cue || (index.zero? ? "Sniff in" : "Sniff in on top of it")
          )
        end
      end

      def staged(line, dose)
        STAGES.each do |sound, left, told, cue|
          line.exhale(STAGE_BEATS * beat_s(dose), to: :passive, left: left, sound: sound, told: told, cue: cue)
        end
      end

      def sung(line, dose, step)
        beats = STAGES.size * STAGE_BEATS
        return scale(line, dose, beats, step) if scale?(dose, "sung")

        line.exhale(
          beats * beat_s(dose),
          to: :passive,
          sound: :note,
          tone_hz: tone_hz(dose, step),
          cue: "Sing it, a step #{(setting(dose, :note_way) == "down") ? "lower" : "higher"} each time"
        )
      end

      def scale?(dose, part) = setting(dose, :scale) != "none" && [part, "both"].include?(setting(dose, :scale_in))

      # One breath out, a step of the scale after the other, each by its number.
      def scale(line, dose, beats, step)
        steps = SCALES.fetch(setting(dose, :scale))
        steps.each.with_index(1) do |number, place|
          line.exhale(
            beats * beat_s(dose) / steps.size,
            to: :passive,
            left: Rational(steps.size - place, steps.size),
            sound: :note,
            tone_hz: tone_hz(dose, step, above: STEPS.fetch(number)),
            told: SAID.fetch(number - 1),
            cue: "Sing step #{number}: #{steps.join(" ")}"
          )
        end
      end

      # @param above [Integer] semitones above the first step of its scale
      def tone_hz(dose, step, above: 0)
        sign = (setting(dose, :note_way) == "down") ? -1 : 1
        Notes.hz(setting(dose, :note), sign * step * setting(dose, :note_step) + above)
      end

      # Four stacked inhales, a slow slide down, no hold: the recovery. Alone it is the work itself.
      def released(line, dose)
        alone = setting(dose, :form) == "released"
        line.within(phase: alone ? :work : :rest, tempo: setting(dose, :tempo)) do
          sniffs(line, beat_s(dose), STACKED)
          next scale(line, dose, SLIDE_BEATS, 0) if scale?(dose, "released")

          line.exhale(
            SLIDE_BEATS * beat_s(dose),
            to: :passive,
            sound: :note,
            tone_hz: tone_hz(dose, 0),
            told: "slide down",
            cue: "Slide down slowly, let go"
          )
        end
        line.breathe([RELEASED_REST_S, setting(dose, :rest_s)].min, phase: :rest, cue: "Breathe, loose")
      end
    end
  end
end
