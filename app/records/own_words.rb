# frozen_string_literal: true

module Windlass
  module Records
    # A coach's own words as sound, in each voice: µ-law, `Spoken::Voices::RATE` samples a second.
    class OwnWords < Record
      self.table_name = "own_words"

      # @param segments [Array<Timeline::Segment>]
      # @return [Hash{String => Integer}] of their own words, how many milliseconds those take that are rendered, in the
      #   slowest voice
      def self.ms(segments)
        texts = segments.flat_map { |segment| [segment.own, *segment.calls.to_a.map(&:last)] }.compact.uniq
        names = texts.index_by { |text| Spoken::Clips.own_name(text) }
        return {} if names.empty?

        where(name: names.keys).group(:name).maximum(:ms).to_h { |name, ms| [names[name], ms] }
      end

      # @param name [String]
      # @return [String] µ-law, as the first voice says it
      def self.samples(name) = find_by!(name: name, voice: Spoken::Voices::FIRST.name).sound

      # @return [String] a file that browsers decode
      def wave = Formats::MuLaw.wave(sound, rate: Spoken::Voices::RATE)
    end
  end
end
