# frozen_string_literal: true

module Windlass
  module Protocols
    # F13, stacked inhales and a staged exhale, then the same on notes, then released. Common practice, no source.
    class StackedExhale < Protocol
      STEP_S = 2
      # The staged exhale: sound, level at its end, cue. Two seconds each.
      STAGES = [[:blow, :easy, "Blow"], [:hiss, :passive, "Hiss"], [:shush, :passive, "Soft sh"], [:shush, :residual, "Loud sh"]].freeze
      STAGE_S = 2
      REST_S = 20

      about id: "stacked-exhale", name: "Stacked inhales, staged exhale", goal: :voice, column: :voice, places: %i[room chair],
        disciplines: VOICES, halves: :repeats,
        first_breath: :never, judged: :sounds, trains: "Filling in steps, letting go in steps, and the stillness after the end of the air.",
        cautions: ["The empty hold stays easy. Before a rehearsal or a show, and after it."]

      parameter :longest_hold_s, "longest empty hold", :s, 2..10, step: 2, shapes: :hold
      parameter :repeats, "times through", :repeats, 1..4, step: 1

      lever :longest_hold_s, step: STEP_S, limit: 10
      lever :repeats, step: 1, limit: 3

      def write(line, dose)
        holds = (STEP_S..dose[:longest_hold_s]).step(STEP_S).to_a
        line.breathe(30, phase: :settle, cue: "Stand or sit tall, and breathe easily")
        round = 0
        dose[:repeats].times do
          (holds.map { |hold_s| [:staged, hold_s] } + holds.map { |hold_s| [:sung, hold_s] }).each do |form, hold_s|
            line.within(round: round += 1, phase: :work) { round(line, form, hold_s) }
          end
          released(line)
        end
      end

      # @return [String] `2 to 6 s of empty hold, blown and sung, once through`
      def in_words(dose)
        times = {1 => "once", 2 => "twice"}.fetch(dose[:repeats]) { "#{dose[:repeats]} times" }
        "#{[2, Words.number(dose[:longest_hold_s])].uniq.join(" to ")} s of empty hold, blown and sung, #{times} through"
      end

      private

      def starting_dose(_measures) = {longest_hold_s: 6, repeats: 1}

      def round(line, form, hold_s)
        line.inhale(1, to: :easy, route: :nose, cue: "Sniff in")
        line.inhale(1, to: :big, route: :nose, cue: "Sniff in on top of it")
        (form == :staged) ? staged(line) : line.exhale(STAGES.size * STAGE_S, to: :residual, sound: :note, cue: "Sing it, a step higher each time")
        line.hold(hold_s, cue: "Hold, empty")
        line.breathe(REST_S, phase: :rest, cue: "Breathe, small and easy")
      end

      def staged(line)
        STAGES.each { |sound, level, cue| line.exhale(STAGE_S, to: level, sound: sound, cue: cue) }
      end

      # Four stacked inhales, a slow slide down, no hold: the recovery.
      def released(line)
        line.within(phase: :rest) do
          line.exhale(2, to: :residual, sound: :blow, cue: "Blow out what is left")
          %i[passive easy big full].each { |level| line.inhale(1, to: level, route: :nose, cue: "Sniff in") }
          line.exhale(8, to: :passive, sound: :note, cue: "Slide down slowly")
          line.breathe(15, cue: "Breathe, loose")
        end
      end
    end
  end
end
