# frozen_string_literal: true

module Windlass
  module Log
    # Symptoms by their names, as people write them.
    module SymptomNames
      # words: how many of the note it takes. meant: names of what it could be. keys: of what it is.
      Found = Value.define(:words, :said, :meant, :keys)
      LONGEST = 6

      # By what is written: the key with blanks, and the words without what stands in brackets; without hyphens and
      # blanks.
      BY_NAME =
        Progression::Symptoms::ALL
          .each_with_object({}) do |(key, words), known|
            [key.to_s.tr("_", " "), words.sub(/ \(.*/, "")].each { |name| known[name.downcase.delete("- ")] = key }
          end
          .freeze

      # @return [Array<String>] all names, as they are written
      def self.all =
        @all ||=
          Progression::Symptoms::ALL
            .flat_map { |key, words| [key.to_s.tr("_", " "), words.sub(/ \(.*/, "")] }
            .uniq
            .freeze

      # @param words [Array<Word>] what is left of a note
      # @return [Found, nil]
      def self.at(words) = exactly(words) || partly(words.first)

      def self.exactly(words)
        [LONGEST, words.size].min
          .downto(1) do |count|
            taken = words.first(count).map(&:text)
            # A dash by itself is a hold left out, never a part of a name.
            next if taken.any? { |text| text.delete("-_").empty? }

            said = taken.join(" ")
            key = BY_NAME[said.delete("-_ ")]
            return Found.new(words: count, said: said, meant: [said], keys: [key]) if key
          end
        nil
      end

      # One word that several names have in common: it is asked which.
      def self.partly(word)
        meant = all.select { |name| name.split.include?(word.text) && name.split.size > 1 }
        keys = meant.map { |name| BY_NAME.fetch(name.delete("- ")) }.uniq
        if keys.size > 1 && word.text.length > 3
          Found.new(
            words: 1,
            said: word.written,
            meant: keys.map { |key| "\"#{all.find { |name| BY_NAME[name.delete("- ")] == key }}\"" },
            keys: []
          )
        end
      end
      private_class_method :exactly, :partly
    end
  end
end
