# frozen_string_literal: true

module Windlass
  module Timeline
    # The coach's own words for parts of a session: a second line beside the cue while that part runs, never in its
    # place.
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
      KEYS = [*PARTS.keys, NOTE].freeze
      LONGEST = 120

      # @param compiled [Compiled]
      # @param said [Hash{Symbol => String}] words by part
      # @return [Compiled]
      def self.apply(compiled, said)
        return compiled if said.except(NOTE).empty?

        compiled.with_segments(compiled.segments.map { |segment| worded(segment, said) })
      end

      # @param dose [Hash] as composed, of one family or of blocks
      # @return [Array<String>] all that is to be said of it, once each
      def self.texts(dose)
        [
          *dose.fetch(:said, {}).except(NOTE).values,
          *dose.fetch(:blocks, []).flat_map { |block| texts(block.fetch(:dose, {})) }
        ].uniq
      end

      # @param said [Object] as it came
      # @return [Hash{Symbol => String}] by part
      def self.faults(said)
        return {nil => "#{Error.shown(said)} is not allowed; allowed: words by part"} unless said.is_a?(Hash)

        said.each_with_object({}) do |(part, words), faults|
          next faults[part] = "is not known here; allowed: #{KEYS.join(", ")}" unless KEYS.include?(part)

          faults[part] = "#{Error.shown(words)} is not allowed; allowed: 1 to #{LONGEST} characters" unless words.is_a?(
            String
          ) && words.length.between?(1, LONGEST)
        end
      end

      def self.worded(segment, said)
        part = PARTS.find { |key, (_, fits)| said.key?(key) && fits.call(segment) }&.first
        part ? segment.with(own: said[part]) : segment
      end
      private_class_method :worded
    end
  end
end
