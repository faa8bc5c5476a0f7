# frozen_string_literal: true

module Windlass
  module Spoken
    # What sounds beside the words: one tone at the start of every part, by what it is; ticks on beats, counted breaths
    # and the tempo, the first of a group with an accent; three before the end of whatever is long enough to wait for;
    # the note before what is sung.
    class Tones
      # Milliseconds that each lasts.
      TONE_MS = {in: 210, out: 210, hold_full: 350, hold_empty: 350, sound: 210, breathe: 280, end: 440}.freeze
      TICK_MS = 40
      CALL_MS = 260
      COUNT_IN_MS = [3000, 2000, 1000].freeze
      COUNT_FROM_MS = 8000
      # A hold as long as this is counted into from a part as long as this.
      HOLD_FROM_MS = 4000
      # A note ends with the onset. It begins after the tone of the part before it.
      NOTE_MS = 1500
      AFTER_TONE_MS = 250

      # @param compiled [Timeline::Compiled]
      # @param deeds [Deeds]
      def initialize(compiled, deeds)
        @placed = compiled.placed
        @deeds = deeds
      end

      # @return [Array<Cue>]
      def all
        return [] if @placed.empty?

        [
          *count_in,
          *@placed.each_index.flat_map { |index| part(index) },
          cue(@placed.last.end_ms, :tone, @placed.size - 1, TONE_MS.fetch(:end), tone: :end)
        ]
      end

      # @return [Symbol] which tone opens a part
      def self.of(deed, segment)
        case segment.kind
        when :inhale
          :in
        when :exhale
          segment.sound ? :sound : :out
        when :hold
          (deed.level == :empty) ? :hold_empty : :hold_full
        else
          :breathe
        end
      end

      private

      def count_in = COUNT_IN_MS.map { |before| cue(-before, :tick, 0, TICK_MS) }

      def part(index)
        place = @placed[index]
        segment = place.segment
        return [] if segment.silent && index.positive? && @placed[index - 1].segment.silent

        tone = Tones.of(@deeds[index], segment)
        [
          cue(place.start_ms, :tone, index, TONE_MS.fetch(tone), tone: tone),
          *(segment.silent ? [] : within(index, place))
        ]
      end

      def within(index, place)
        segment = place.segment
        [*ticks(index, place), *((segment.beats || segment.tempo) ? [] : before_end(index, place)), *note(index, place)]
      end

      def ticks(index, place)
        segment = place.segment
        return each(index, place, segment.beats, accent: true) if segment.beats
        return tempo(index, place) if segment.tempo

        counted = segment.breaths || segment.repetitions
        counted ? each(index, place, counted).drop(1) : []
      end

      def each(index, place, count, accent: false)
        Array.new(count.ceil) do |number|
          cue(place.start_ms + number * place.ms / count.to_f, :tick, index, TICK_MS, accent: accent && number.zero?)
        end
      end

      # A metronome that goes through.
      def tempo(index, place)
        beat_ms = 60_000.0 / place.segment.tempo
        (0...(place.ms / beat_ms).round).map do |number|
          cue(place.start_ms + number * beat_ms, :tick, index, TICK_MS, accent: number.zero?)
        end
      end

      def before_end(index, place)
        ticked(place.segment, @placed[index + 1]&.segment).map do |before|
          cue(place.end_ms - before, :tick, index, TICK_MS)
        end
      end

      def ticked(segment, following)
        if segment.hold? && segment.ms < COUNT_FROM_MS
          return (1...(segment.ms / 1000.0).ceil).map { |second| second * 1000 }
        end

        into_hold = following&.hold? && following.ms >= HOLD_FROM_MS && segment.ms >= HOLD_FROM_MS
        (segment.ms >= COUNT_FROM_MS || into_hold) ? COUNT_IN_MS : []
      end

      # Of a scale the first step alone: what comes next is sung, and nothing sounds over it.
      def note(index, place)
        return [] if place.segment.tone_hz.nil? || (index.positive? && @placed[index - 1].segment.tone_hz)

        from = [place.start_ms - NOTE_MS, index.zero? ? -NOTE_MS : @placed[index - 1].start_ms + AFTER_TONE_MS].max
        [cue(from, :note, index, place.start_ms - from, hz: place.segment.tone_hz)]
      end

      def cue(at_ms, kind, index, lasts_ms, **more) =
        Cue.new(at_ms: at_ms, lasts_ms: lasts_ms, kind: kind, part: index, round: @placed[index].segment.round, **more)
    end
  end
end
