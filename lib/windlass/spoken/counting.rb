# frozen_string_literal: true

module Windlass
  module Spoken
    # Which numbers are due in a part, and when, as far as its family counts anything: beats, breaths, seconds of a
    # hold, strokes of a gear.
    class Counting
      # A number is at least so much shorter than what it counts.
      SPARE_MS = 50
      # Beats of which one is said, where each is too short.
      EVERY = [1, 2, 4].freeze
      # A breath that is shorter, in and out, is not counted one by one: every so many are, and the last ones.
      BREATH_MS = 1600
      EVERY_BREATHS = 5
      LAST_ONE_BY_ONE = 5
      # Seconds of a hold: each ten, and the last three.
      TENS_S = 10
      LAST_S = 3
      SHORTEST_HOLD_MS = 5000

      # @param compiled [Timeline::Compiled]
      # @param counts [#call] of a block, nil where there are none: what is counted and which way, `[:beats, :up]`, or
      #   nil
      def initialize(compiled, counts)
        @placed = compiled.placed
        @counts = counts
      end

      # @return [Array<Array(Numeric, String)>] milliseconds of the session, and the number
      def of(index)
        place = @placed[index]
        what, way = @counts.call(place.segment.block)
        return [] if what.nil? || way == :none || place.segment.silent

        numbers(index, place.segment, what, way).filter_map do |at_ms, number|
          (word = number.is_a?(String) ? number : Clips.number(number)) && [place.start_ms + at_ms, word]
        end
      end

      private

      def numbers(index, segment, what, way)
        return repetitions(segment) if segment.repetitions
        return breaths(index, segment, way) if what == :breaths
        return strokes(segment) if what == :gears && segment.counted
        return beats(segment, way) if what == :beats && segment.beats
        if %i[seconds gears].include?(what) && segment.hold? && segment.beats.nil? && segment.ends == :clock
          return seconds(segment, way)
        end

        []
      end

      def repetitions(segment) =
        Array.new(segment.repetitions) { |number| [number * segment.ms / segment.repetitions.to_f, number + 1] }

      def beats(segment, way)
        count = segment.beats.ceil
        each_ms = segment.ms / segment.beats.to_f
        longest_ms = (1..count).map { |number| Clips.ms(Clips.number(number) || "") }.max
        every = EVERY.find { |one| longest_ms + SPARE_MS <= one * each_ms } or return []
        said = Array.new(count) { |beat| [beat * each_ms, (way == :up) ? beat + 1 : count - beat] }
        said.select { |_, number| ((way == :up) ? count - number : number - 1) % every == 0 }
      end

      def breaths(index, segment, way)
        return natural(segment, way) if segment.breaths
        return [] unless segment.breath && segment.kind == :exhale

        all = of_round(segment)
        number = (way == :up) ? segment.breath : all - segment.breath + 1
        one_by_one?(index, segment, all) ? [[0, number]] : []
      end

      # On each breath out, as far as it can be told where one breathes as one likes.
      def natural(segment, way)
        all = segment.breaths
        Array.new(all) { |number| [(number + 0.5) * segment.ms / all, (way == :up) ? number + 1 : all - number] }
      end

      def of_round(segment)
        @deepest ||=
          @placed
            .map(&:segment)
            .select(&:breath)
            .group_by { |one| [one.block, one.round] }
            .transform_values { |all| all.map(&:breath).max }
        @deepest.fetch([segment.block, segment.round])
      end

      def one_by_one?(index, segment, all)
        before = index.positive? ? @placed[index - 1].segment : nil
        breath_ms = segment.ms + ((before&.kind == :inhale) ? before.ms : 0)
        breath_ms >= BREATH_MS || (segment.breath % EVERY_BREATHS).zero? || segment.breath > all - LAST_ONE_BY_ONE
      end

      # Down to the last one.
      def strokes(segment)
        number, all = segment.counted
        left = all - number + 1
        if left > LAST_ONE_BY_ONE
          []
        else
          [[0, (left == 1) ? "last one" : left]]
        end
      end

      def seconds(segment, way)
        return [] if segment.ms < SHORTEST_HOLD_MS

        last = (1..LAST_S).map { |second| [segment.ms - second * 1000, second] }
        tens =
          (TENS_S..(segment.ms / 1000 - LAST_S - 1))
            .step(TENS_S)
            .map { |second| [(way == :up) ? second * 1000 : segment.ms - second * 1000, second] }
        (tens + last).sort_by(&:first)
      end
    end
  end
end
