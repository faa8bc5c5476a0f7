# frozen_string_literal: true

module Windlass
  module Spoken
    # All that is heard of a session which nobody touches. Instructions come first; calls, own words, places and numbers
    # take what room is left, in this order.
    class Score
      # Between the tone that opens a part and its first word.
      AFTER_TONE_MS = 140
      # An instruction is over by then: shares of its part, and milliseconds.
      LONG_PART_MS = 2000
      OVER_BY = 0.6
      OVER_BY_SHORT = 0.9
      OVER_BY_MS = 1200
      # What is said before a part is said in so much of the one before.
      BEFORE_MS = 1000
      BEFORE_ENDS_MS = 60
      # A call may come so much later than it is due.
      LATE_MS = 3000
      # The beats that a sound is to last, said one beat before it.
      HELD_SOUNDS = %i[hiss].freeze

      # Of {Cue}, in order of time; of {Silence}; of own words that are rendered, their milliseconds.
      attr_reader :cues, :dropped, :impossible, :own_ms

      # @param compiled [Timeline::Compiled]
      # @param counts [#call] @see Counting
      # @param calls [Array<Array(Integer, String)>] of the whole session
      # @param blocks [Hash{Integer => String}] their names, where there are several
      # @param own_ms [Hash{String => Integer}] own words that are rendered, and how long they take
      # @param voice [Boolean] words are said; otherwise it is tones alone
      def initialize(compiled, counts: ->(_block) {}, calls: [], blocks: {}, own_ms: {}, voice: true)
        @compiled = compiled
        @placed = compiled.placed
        @deeds = Deeds.new(compiled)
        @counting = Counting.new(compiled, counts)
        @calls = calls
        @blocks = blocks
        @own_ms = own_ms
        @room = Room.new
        @said, @dropped, @impossible = [], [], []
        voice ? speak : sound_calls
        @cues = (@said + Tones.new(compiled, @deeds).all).sort_by.with_index { |one, order| [one.at_ms, order] }.freeze
        [@dropped, @impossible].each(&:freeze)
        freeze
      end

      # @return [Hash] as `bin/windlass cues` prints it
      def to_h_plain =
        {
          seconds: Numbers.plain(@compiled.total_ms/1000r),
          cues: cues.map(&:to_h_plain),
          dropped: dropped.map(&:to_h_plain),
          impossible: impossible.map(&:to_h_plain)
        }

      private

      def speak
        @numbers = @placed.each_index.map { |index| @counting.of(index) }
        @placed.each_index { |index| instruct(index) }
        called.each { |at_ms, words, index, whole| call(at_ms, words, index, whole) }
        @placed.each_index { |index| own(index) }
        Places.new(@compiled, @blocks).all.each { |indexes, words| place(indexes, words) }
        @numbers.each_with_index { |numbers, index| count(numbers, index) }
      end

      # Where nothing is said a call is a tone.
      def sound_calls
        called.each do |at_ms, _, index, whole|
          @said << Cue.new(
            at_ms: at_ms,
            lasts_ms: Tones::CALL_MS,
            kind: :call,
            part: index,
            round: @placed[index].segment.round,
            whole: whole
          )
        end
      end

      def instruct(index)
        segment = @placed[index].segment
        return if segment.silent || named_otherwise?(index)

        announce(index) if HELD_SOUNDS.include?(segment.sound) && segment.beats
        words, at = chosen(index, [*@deeds.words(index), *@deeds.single(index)])
        at ? say(:instruction, words, index, at) : (give_up(index) if @deeds.changes?(index))
      end

      # Of a short stroke a call, or how many are to come, takes the place of *in* or *out*, which go on as they went.
      def named_otherwise?(index)
        segment = @placed[index].segment
        segment.ms < LONG_PART_MS && !@deeds.first?(index) &&
          (segment.calls.to_a.any? { |after, _| after.zero? } || (segment.counted && @numbers[index].any?))
      end

      # Where a number falls on the onset of a part, what is said before it leaves that number be.
      # @return [Array(String, Numeric), nil] the best that has room
      def chosen(index, all)
        first = @deeds.first?(index) ? all.first(1) : all
        ways =
          if number_first?(index)
            [[:ahead, first], [:inside, first], [:ahead, all], [:inside, all]]
          else
            all.flat_map { |words| [[:inside, [words]], [:ahead, [words]]] }
          end
        ways.each { |how, some| some.each { |words| (at = send(how, index, Clips.ms(words))) && (return words, at) } }
        nil
      end

      # @return [Numeric, nil] where it begins within its part
      def inside(index, lasts_ms)
        place = @placed[index]
        from = [place.start_ms + AFTER_TONE_MS, *(number_over(index - 1) if index.positive?)].max
        return if from + lasts_ms > place.start_ms + over_by(place.ms)

        from if @room.free?(from, from + lasts_ms)
      end

      def over_by(part_ms) = (part_ms < LONG_PART_MS) ? [OVER_BY_MS, OVER_BY_SHORT * part_ms].min : OVER_BY * part_ms

      # A number falls on its onset.
      def number_first?(index) = @numbers[index].first&.first == @placed[index].start_ms

      # @return [Numeric, nil] where it begins before its part: as late as possible, and over the last number of the
      #   part before it not at all
      def ahead(index, lasts_ms)
        at = @placed[index].start_ms - BEFORE_ENDS_MS - lasts_ms
        earliest = earliest_ahead(index) or return
        at if at >= earliest && @room.free?(at, at + lasts_ms)
      end

      def earliest_ahead(index)
        start = @placed[index].start_ms
        return start - BEFORE_MS if index.zero?

        before = @placed[index - 1]
        return if before.open? || before.segment.silent

        [start - BEFORE_MS, before.start_ms + AFTER_TONE_MS, *number_over(index - 1)].max
      end

      # @return [Numeric, nil] when the last number of a part has been said
      def number_over(index) = @numbers[index].last&.then { |at_ms, words| at_ms + Clips.ms(words) + Room::APART_MS }

      # `for twelve`, one beat before.
      def announce(index)
        place = @placed[index]
        words = "for #{Clips.number(place.segment.beats.round)}"
        at = [place.start_ms - place.ms / place.segment.beats.to_f, place.start_ms - Clips.ms(words)].min
        say(:instruction, words, index, at) if @room.free?(at, at + Clips.ms(words))
      end

      # Once for a run of parts that are too short.
      def give_up(index)
        return if @impossible.last && @last_impossible == index - 1 && (@last_impossible = index)

        @last_impossible = index
        place = @placed[index]
        @impossible << Silence.new(
          part: index,
          at_ms: place.start_ms,
          because: "parts of #{Words.number(place.ms / 1000.0)} s are too short to be told apart by ear: tones only"
        )
      end

      # @return [Array<Array(Numeric, String, Integer)>] calls of the session and of parts, in order, each with its
      #   part, and whether it is of the session
      def called
        of_parts =
          @placed.each_with_index.flat_map do |place, index|
            place.segment.calls.to_a.map { |after, words| [place.start_ms + after, words, index, false] }
          end
        (of_parts + @calls.map { |at_ms, words| [at_ms, words, part_at(at_ms), true] }).sort_by(&:first)
      end

      def part_at(at_ms) = [@placed.bsearch_index { |place| place.end_ms > at_ms } || @placed.size - 1, 0].max

      # A coach's own words at a moment may wait longer for room than a call, which is of that moment.
      OWN_LATE_MS = 20_000

      def call(at_ms, words, index, whole)
        own = Clips.of(words).nil?
        lasts_ms = Clips.ms(words, own ? @own_ms : {})
        latest = [at_ms + (own ? OWN_LATE_MS : LATE_MS), @compiled.total_ms].min
        at = @room.first(at_ms, latest + lasts_ms, lasts_ms)
        return drop(:call, index, "“#{words}” would cover an instruction") if at.nil?

        own ? say(:own, words, index, at) : say(:call, words.downcase, index, at, whole: whole)
      end

      def own(index)
        words = @placed[index].segment.own or return
        place = @placed[index]
        at = @room.first(place.start_ms + AFTER_TONE_MS, place.end_ms - Room::APART_MS, Clips.ms(words, @own_ms))
        at ? say(:own, words, index, at) : drop(:own, index, "the part is too short for them")
      end

      def place(indexes, words)
        lasts_ms = Clips.ms(words)
        indexes.each do |index|
          one = @placed[index]
          at = @room.first(one.start_ms + AFTER_TONE_MS, one.end_ms - Places::OVER_MS, lasts_ms)
          return say(:place, words, index, at) if at
        end
        drop(:place, indexes.first, "there is no room for “#{words}”")
      end

      def count(numbers, index)
        lost =
          numbers.reject do |at_ms, words|
            @room.free?(at_ms, at_ms + Clips.ms(words)) && say(:count, words, index, at_ms)
          end
        drop(:count, index, "other words are said then: #{lost.map(&:last).join(", ")}") if lost.any?
      end

      def say(kind, words, index, at_ms, **more)
        lasts_ms = Clips.ms(words, (kind == :own) ? @own_ms : {})
        @room.take(at_ms, at_ms + lasts_ms)
        @said << Cue.new(
          at_ms: at_ms,
          lasts_ms: lasts_ms,
          kind: kind,
          words: words,
          part: index,
          round: @placed[index].segment.round,
          **more
        )
      end

      def drop(kind, index, because) =
        @dropped << Silence.new(part: index, at_ms: @placed[index].start_ms, kind: kind, because: because)
    end
  end
end
