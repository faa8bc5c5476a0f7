# frozen_string_literal: true

module Windlass
  module Log
    # A word of a note: as it is read (small letters), as it was written, and its column from 1.
    Word = Value.define(:text, :written, :column)

    # A note in words. Blanks, semicolons and commas part them; a comma between two digits is a decimal comma.
    module Tokens
      WORD = /(?:[^\s;,]|(?<=\d),(?=\d))+/

      # @param text [String]
      # @return [Array<Word>]
      def self.of(text)
        text
          .to_enum(:scan, WORD)
          .map { Regexp.last_match }
          .map { |found| Word.new(text: found[0].downcase, written: found[0], column: found.begin(0) + 1) }
      end
    end

    # What somebody may have meant.
    module Near
      # @param written [String]
      # @param known [Array<String>]
      # @return [String, nil] the one of them that is nearest, where one is near, or that has it in its name
      def self.of(written, known) =
        DidYouMean::SpellChecker.new(dictionary: known.uniq).correct(written).first ||
          known.find { |name| name.start_with?("#{written} ") } || known.find { |name| name.split.include?(written) }
    end

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

    # Days as people write them.
    module Days
      # words: how many of the note it takes. wrong: what is wrong with it.
      Found = Value.define(:words, :date, :wrong)

      MONTHS = Date::MONTHNAMES.compact.map(&:downcase).freeze
      WEEKDAYS = Date::DAYNAMES.map(&:downcase).freeze
      BACK = {"today" => 0, "yesterday" => 1}.freeze
      # So many letters of a name are enough.
      SHORT = 3

      def self.all = [*BACK.keys, *WEEKDAYS, *MONTHS]

      # @param words [Array<Word>] what is left of a note
      # @param today [Date]
      # @return [Found, nil]
      def self.at(words, today) =
        iso(words.first, today) || back(words.first, today) || weekday(words.first, today) ||
          day_and_month(words, today)

      def self.iso(word, today)
        return unless word.text.match?(/\A\d{4}-\d{1,2}-\d{1,2}\z/)

        year, month, day = word.text.split("-").map(&:to_i)
        found(1, Date.valid_date?(year, month, day) ? Date.new(year, month, day) : nil, word, today)
      end

      def self.back(word, today) = BACK[word.text]&.then { |days| Found.new(words: 1, date: today - days, wrong: nil) }

      # The last one there was; today is one, too.
      def self.weekday(word, today)
        number = named(word.text, WEEKDAYS) or return
        Found.new(words: 1, date: today - (today.wday - number) % 7, wrong: nil)
      end

      # `1 mar`, `mar 1`: of this year, or of the last where this year's is still to come.
      def self.day_and_month(words, today)
        first, second = words.first(2)
        return unless second

        day, month =
          if first.text.match?(/\A\d{1,2}\.?\z/)
            [first, named(second.text, MONTHS)]
          else
            [second, named(first.text, MONTHS)]
          end
        return unless month && day.text.match?(/\A\d{1,2}\.?\z/)

        found(
          2,
          [today.year, today.year - 1].filter_map do |year|
            Date.new(year, month + 1, day.text.to_i) if Date.valid_date?(year, month + 1, day.text.to_i)
          end
            .find { |date| date <= today },
          first,
          today
        )
      end

      def self.named(text, names) =
        (text.length >= SHORT || nil) && names.index { |name| name.start_with?(text.delete_suffix(".")) }

      def self.found(count, date, word, today)
        wrong =
          if date.nil?
            "\"#{word.written}\" is no day there is"
          elsif date < Bounds::EARLIEST
            "#{date.iso8601} is not allowed; allowed: from #{Bounds::EARLIEST} on"
          elsif date > today
            "#{date.iso8601} is still to come; allowed: up to #{today.iso8601}"
          end
        Found.new(words: count, date: date, wrong: wrong)
      end
      private_class_method :iso, :back, :weekday, :day_and_month, :named, :found
    end
  end
end
