# frozen_string_literal: true

module Windlass
  module Timeline
    # The coach's own words for parts of a session: a second line beside the cue while that part runs, never in its
    # place. Or at a moment of a dose, once: *after two minutes, let the shoulders go*.
    module Said
      # Which segments a part is. What a breath does in a rest belongs to the rest.
      PARTS = {
        settle: ["settling", ->(segment) { segment.phase == :settle }],
        inhale: ["breath in", ->(segment) { segment.phase == :work && segment.kind == :inhale }],
        exhale: ["breath out", ->(segment) { segment.phase == :work && segment.kind == :exhale }],
        hold: ["hold", ->(segment) { segment.phase == :work && segment.hold? }],
        rest: ["rest", ->(segment) { segment.phase == :rest }]
      }.freeze
      NOTE = :note
      MOMENTS = :moments
      KEYS = [*PARTS.keys, NOTE, MOMENTS].freeze
      LONGEST = 120
      # Seconds from the dose's own start, and how many of them there may be.
      MOMENT_S = (1..3600)
      MOST_MOMENTS = 12

      # @param compiled [Compiled]
      # @param said [Hash] words by part; under {MOMENTS} a list of `{at_s:, words:}`
      # @return [Compiled]
      def self.apply(compiled, said)
        return compiled if said.except(NOTE).empty?

        segments = compiled.segments.map { |segment| worded(segment, said) }
        said.fetch(MOMENTS, []).each { |moment| timed(segments, compiled, moment) }
        compiled.with_segments(segments)
      end

      # @param dose [Hash] as composed, of one family or of blocks
      # @return [Array<String>] all that is to be said of it, once each
      def self.texts(dose)
        [
          *dose.fetch(:said, {}).except(NOTE, MOMENTS).values,
          *dose.dig(:said, MOMENTS).to_a.map { |moment| moment[:words] },
          *dose.fetch(:blocks, []).flat_map { |block| texts(block.fetch(:dose, {})) }
        ].uniq
      end

      # @param said [Object] as it came
      # @return [Hash{Symbol => String}] by part
      def self.faults(said)
        return {nil => "#{Error.shown(said)} is not allowed; allowed: words by part"} unless said.is_a?(Hash)

        said.each_with_object({}) do |(part, words), faults|
          next faults[part] = "is not known here; allowed: #{KEYS.join(", ")}" unless KEYS.include?(part)

          fault = (part == MOMENTS) ? moments_fault(words) : words_fault(words)
          faults[part] = fault if fault
        end
      end

      # @param moments [Object] as it came
      # @return [String, nil] what is wrong with the first that is
      def self.moments_fault(moments)
        unless moments.is_a?(Array) && moments.size <= MOST_MOMENTS && moments.all?(Hash)
          return "#{Error.shown(moments)} is not allowed; allowed: up to #{MOST_MOMENTS} of at_s and words"
        end

        moments.filter_map { |moment| moment_fault(moment) }.first
      end

      def self.moment_fault(moment)
        further = moment.keys - %i[at_s words]
        return "#{further.first} is not known here; allowed: at_s, words" if further.any?

        at = moment[:at_s]
        unless at.is_a?(Numeric) && MOMENT_S.cover?(at)
          return "after #{Error.shown(at)} is not allowed; allowed: #{MOMENT_S.begin} to #{MOMENT_S.end} s"
        end

        words_fault(moment[:words])
      end

      def self.words_fault(words)
        return if words.is_a?(String) && words.length.between?(1, LONGEST)

        "#{Error.shown(words)} is not allowed; allowed: 1 to #{LONGEST} characters"
      end

      # What would come after the end is never said; the composer tells so.
      def self.timed(segments, compiled, moment)
        at_ms = (moment[:at_s] * 1000).round
        index = compiled.placed.index { |place| place.end_ms > at_ms } or return
        call = [at_ms - compiled.placed[index].start_ms, moment[:words]]
        segments[index] = segments[index].with(calls: [*segments[index].calls, call])
      end

      def self.worded(segment, said)
        part = PARTS.find { |key, (_, fits)| said.key?(key) && fits.call(segment) }&.first
        part ? segment.with(own: said[part]) : segment
      end
      private_class_method :moments_fault, :moment_fault, :words_fault, :timed, :worded
    end
  end
end
