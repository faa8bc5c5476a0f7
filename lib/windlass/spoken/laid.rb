# frozen_string_literal: true

module Windlass
  module Spoken
    # What is heard, laid on the parts of a session: so that it moves with them where a part becomes longer or shorter
    # on the way.
    class Laid
      # at: from where in its part: :start, :end (backwards), or :share of it. clips: names of files; nil where a
      # browser has to speak.
      Sound =
        Value.define(:kind, :at, :amount, clips: nil, hz: nil, words: nil) do
          # @return [Array] plain JSON, as short as it can be
          def to_a =
            [kind, ANCHORS.fetch(at), amount, clips, hz || words].then { |all| all[0..all.rindex { |one| !one.nil? }] }
        end
      ANCHORS = {start: "s", end: "e", share: "b"}.freeze

      # @param compiled [Timeline::Compiled]
      # @param score [Score]
      def initialize(compiled, score)
        @placed = compiled.placed
        @score = score
      end

      # @return [Hash{Integer => Array<Sound>}] by part; what is before the first part belongs to it
      def by_part =
        @by_part ||=
          @score
            .cues
            .reject { |cue| cue.tone == :end || cue.whole }
            .group_by { |cue| host(cue) }
            .transform_values { |cues| cues.map { |cue| sound(cue) } }

      # Said before their part, and said in it where a hand ended the one before.
      # @return [Hash{Integer => Array<String>}] clips by part
      def ahead =
        @score
          .cues
          .select { |cue| cue.kind == :instruction && cue.part.positive? && cue.at_ms < @placed[cue.part].start_ms }
          .to_h { |cue| [cue.part, Clips.of(cue.words).to_a] }

      # @return [Array<Array(Numeric, Array<String>)>] calls of the whole session: their moment, and clips
      def calls = @score.cues.select(&:whole).map { |cue| [cue.at_ms, Clips.of(cue.words).to_a] }

      # @return [Array<String>] every clip that may be wanted
      def clips = @score.cues.flat_map { |cue| of(cue).to_a }.uniq

      private

      def host(cue) = [@placed.bsearch_index { |place| place.end_ms > cue.at_ms } || @placed.size - 1, 0].max

      def sound(cue)
        index = host(cue)
        place = @placed[index]
        at, amount = anchor(cue, place, leads: cue.part > index)
        Sound.new(kind: kind(cue), at: at, amount: amount, hz: cue.hz, **said(cue))
      end

      # A beat and a counted breath are shares of their part; what leads into the next part is reckoned from its end.
      def anchor(cue, place, leads:)
        after_ms = cue.at_ms - place.start_ms
        return :share, (after_ms / place.ms.to_f).round(6) if shared?(cue, place)
        return :end, (place.end_ms - cue.at_ms).round if leads || before_end?(cue, place)

        [:start, after_ms.round]
      end

      def shared?(cue, place)
        segment = place.segment
        %i[tick count].include?(cue.kind) && cue.at_ms >= place.start_ms &&
          (segment.beats || segment.breaths || segment.repetitions)
      end

      # Ticks and numbers that are counted down to the end of a part.
      def before_end?(cue, place) =
        %i[tick count].include?(cue.kind) && place.segment.tempo.nil? && cue.at_ms > place.start_ms &&
          place.end_ms - cue.at_ms <= 3000

      def kind(cue)
        return cue.tone if cue.kind == :tone
        return cue.accent ? :accent : :tick if cue.kind == :tick

        %i[instruction place].include?(cue.kind) ? :say : cue.kind
      end

      def of(cue) = Clips.of(cue.words.to_s, (cue.kind == :own) ? @score.own_ms : {})

      def said(cue)
        return {} unless cue.words

        clips = of(cue)
        clips ? {clips: clips} : {words: cue.words}
      end
    end
  end
end
