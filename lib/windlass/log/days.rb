# frozen_string_literal: true

module Windlass
  module Log
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
