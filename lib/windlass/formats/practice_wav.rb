# frozen_string_literal: true

module Windlass
  module Formats
    # A session to listen to, for a telephone in a bag: the very tones and words of the deck, as RIFF/WAVE, 16 bit, one
    # channel. Written part after part: however long it is, little of it is in memory.
    class PracticeWav
      RATE = 22_050
      MOST = 32_767
      # One tone, or a word, has so much of it: several may sound at once.
      LOUD = 0.2 * MOST
      # What a byte of a word is in the file.
      WORDS = MuLaw::SAMPLES.map { |sample| (sample * LOUD / 32_768).round }.freeze
      # Before the first tick of the count-in, and after the last tone.
      LEAD_S = 0.5
      TAIL_S = 1.0
      # So many samples of silence are written at once.
      SILENCE = 4096

      QUIET = ("\0\0" * SILENCE).b.freeze
      private_constant :QUIET, :WORDS

      # @param score [Spoken::Score]
      # @param own [#call] gets the name of own words that are rendered, gives them as µ-law; what is not rendered is
      #   left out
      def initialize(score, own: nil)
        @own_ms = score.own_ms
        @own = own
        @kinds = {}
        @packed = {}
        cues = score.cues.select { |cue| sounds?(cue) }
        first = cues.first.at_ms
        @sounds = cues.map { |cue| [(((cue.at_ms - first) / 1000.0 + LEAD_S) * RATE).round, sound(cue)] }
        @samples = @sounds.map { |from, tone| from + tone.size }.max + (TAIL_S * RATE).round
      end

      # @yieldparam bytes [String]
      def write(&block)
        yield header
        at = 0
        together.each do |group|
          from = group.first.first
          silence(from - at, &block)
          # What sounds together does so again and again: a beat and its number.
          bytes = (@packed[group.map { |start, tone| [start - from, tone.object_id] }] ||= mixed(group).pack("s<*"))
          yield bytes
          at = from + bytes.bytesize / 2
        end
        silence(@samples - at, &block)
      end

      # @return [Integer]
      def bytes = 44 + 2 * @samples

      private

      def sounds?(cue) = cue.words.nil? || !clips(cue).nil?

      # @return [Array<String>, nil] nil where only a browser could speak it
      def clips(cue) = Spoken::Clips.of(cue.words, (cue.kind == :own) ? @own_ms : {})

      def sound(cue)
        return @kinds[cue.words] ||= spoken(clips(cue)) if cue.words

        kind = cue.tone || ((cue.kind == :tick && cue.accent) ? :accent : cue.kind)
        seconds = (cue.lasts_ms / 1000.0 - Tones::FALL_S if cue.kind == :note)
        @kinds[[kind, cue.hz, seconds]] ||=
          Tones.samples(kind, cue.hz, RATE, seconds: seconds).map { |sample| (sample * LOUD).round }
      end

      def spoken(names)
        between = Array.new(Spoken::Samples.size(Spoken::Clips::BETWEEN_MS), 0)
        names.map { |name| mu_law(name).each_byte.map { |byte| WORDS[byte] } }.reduce { |all, one| all + between + one }
      end

      def mu_law(name) = name.start_with?(Spoken::Clips::OWN) ? @own.call(name) : Spoken::Samples.of(name)

      def header
        ["RIFF", bytes - 8, "WAVE", "fmt ", 16, 1, 1, RATE, RATE * 2, 2, 16, "data", 2 * @samples].pack(
          "a4Va4a4VvvVVvva4V"
        )
      end

      def silence(samples)
        (samples / SILENCE).times { yield QUIET }
        yield QUIET[0, 2 * (samples % SILENCE)]
      end

      # Tones that lie over one another are mixed; those that do not stand by themselves.
      def together
        last = 0
        @sounds.slice_when { |(from, tone), (following, _)| following >= (last = [last, from + tone.size].max) }
      end

      # @return [Array<Integer>] the sum of what sounds, from where the first begins
      def mixed(group)
        return group.first.last if group.one?

        from = group.first.first
        all = Array.new(group.map { |start, tone| start + tone.size }.max - from, 0)
        group.each { |start, tone| tone.each_with_index { |sample, at| all[start - from + at] += sample } }
        all.map { |sample| sample.clamp(-MOST, MOST) }
      end
    end
  end
end
