# frozen_string_literal: true

module Windlass
  module Formats
    # A session's beat as a Standard MIDI File, format 0: a marker at each phase, and the metronome where beats are
    # counted. One quarter is one second in milliseconds: every moment is exact.
    class BeatMidi
      # Ticks of a quarter, and microseconds of it: a tick is a millisecond.
      DIVISION = 1000
      QUARTER_US = 1_000_000
      # Woodblock of the percussion channel; its accent where a part begins.
      CHANNEL = 9
      CLICK = 77
      ACCENT = 76
      CLICK_MS = 30

      # @param compiled [Timeline::Compiled]
      # @param name [String]
      def initialize(compiled, name)
        @compiled = compiled
        @name = name
      end

      # @return [String] bytes
      def to_s = ["MThd", 6, 0, 1, DIVISION].pack("a4Nnnn") + ["MTrk", track.bytesize].pack("a4N") + track

      private

      def track
        @track ||=
          begin
            at = 0
            body =
              events
                .sort_by
                .with_index { |(ms, _), index| [ms, index] }
                .map { |ms, bytes| quantity(ms - at).tap { at = ms } + bytes }
            body.join.b + quantity(@compiled.total_ms - at) + [0xff, 0x2f, 0].pack("C*")
          end
      end

      def events
        [
          [0, meta(0x03, @name)],
          [0, [0xff, 0x51, 3, *[QUARTER_US].pack("N").bytes.drop(1)].pack("C*")],
          *@compiled.placed.flat_map do |place|
            [[place.start_ms, meta(0x06, place.segment.cue || place.segment.kind.to_s)], *clicks(place)]
          end
        ]
      end

      def clicks(place)
        beats = place.segment.beats or return []
        Array
          .new(beats.ceil) { |beat| place.start_ms + (beat * place.segment.ms / beats.to_r).round }
          .each_with_index
          .flat_map do |ms, beat|
            note = beat.zero? ? ACCENT : CLICK
            [[ms, [0x90 | CHANNEL, note, 100].pack("C*")], [ms + CLICK_MS, [0x80 | CHANNEL, note, 0].pack("C*")]]
          end
      end

      def meta(kind, text) = [0xff, kind].pack("C*") + quantity(text.bytesize) + text.b

      # A number in sevens of bits, the highest first.
      def quantity(number)
        bytes = [number & 0x7f]
        while (number >>= 7) > 0
          bytes.unshift((number & 0x7f) | 0x80)
        end
        bytes.pack("C*")
      end
    end
  end
end
