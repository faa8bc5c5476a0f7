# frozen_string_literal: true

module Windlass
  # Sessions that were not run on the deck.
  module Log
    # One line of a crumpled note becomes a session: `60x4 s d x 55 ok e7 lightheaded mon @18:30 # windy`.
    class Line
      HELD_S = 0.1..1200
      TIMES = 1..100
      LOW = 30..100
      EFFORT = 0..10
      BREATHS = {
        "s" => :smooth, "smooth" => :smooth, "d" => :deeper, "deeper" => :deeper, "g" => :gasp, "gasp" => :gasp
      }.freeze
      LEFT_OUT = %w[x - –].freeze
      MARKS = {
        "u" => :urge_s, "urge" => :urge_s, "c" => :contraction_s, "contraction" => :contraction_s, "lo" => :sao2_low,
        "low" => :sao2_low
      }.freeze
      EFFORTS = %w[e effort].freeze
      ALL_SMOOTH = "ok"

      # @param text [String]
      # @param today [Date] nothing is later
      # @param targets [Array<Numeric>] seconds of the planned holds, in order
      # @return [Entry]
      # @raise [InvalidInput] a line a fault: its column, from 1, and what is wrong there
      def self.read(text, today:, targets: []) = new(text, today, targets).entry

      def initialize(text, today, targets)
        @today = today
        @targets = targets
        words, hash, note = text.partition("#")
        @note = hash.empty? ? "" : note.strip
        @words = Tokens.of(words)
        @faults = []
        @rounds = []
        @symptoms = []
      end

      # @raise [InvalidInput]
      def entry
        take until @words.empty?
        raise InvalidInput, @faults if @faults.any?

        Entry.new(
          date: @date || @today,
          at: @at,
          rounds: rounds,
          effort: @effort,
          symptoms: @symptoms.uniq,
          note: @note
        )
      end

      private

      def rounds
        @rounds.each_with_index.map do |round, index|
          breath = round[:first_breath] || (:smooth if @all_smooth && !round[:skipped])
          Round.new(**round, first_breath: breath, target_s: @targets[index])
        end
      end

      def take
        return if day || moment || symptom

        word = @words.shift
        hold(word) || left_out(word) || breath(word) || mark(word) || effort(word) || all_smooth(word) || unknown(word)
      end

      def fault(word, words) = (@faults << "column #{word.column}: #{words}").then { true }

      def number(text) = Numbers.plain(text.tr(",", ".").to_r)

      HOLD = /
        \A(?:(?<minutes>\d{1,3})[:m](?<rest>\d{1,2}(?:[.,]\d+)?)?s?|(?<seconds>\d{1,5}(?:[.,]\d+)?)s?)
        (?:[x×](?<times>\d{1,4}))?\z
      /x

      def hold(word)
        found = HOLD.match(word.text) or return
        if found[:minutes] && number(found[:rest] || "0") >= 60
          return fault(word, "\"#{word.written}\" is not a time; after the minutes come 00 to 59 seconds")
        end

        seconds = found[:seconds] ? number(found[:seconds]) : found[:minutes].to_i * 60 + number(found[:rest] || "0")
        times = (found[:times] || 1).to_i
        unless HELD_S.cover?(seconds)
          return fault(word, "#{Words.number(seconds)} s is not allowed; allowed: #{HELD_S.min} to #{HELD_S.max} s")
        end
        unless TIMES.cover?(times)
          return fault(word, "#{times} times is not allowed; allowed: #{TIMES.min} to #{TIMES.max}")
        end

        times.times { @rounds << {held_s: seconds.to_f} }
        true
      end

      def left_out(word) = LEFT_OUT.include?(word.text) && @rounds << {held_s: nil, skipped: true}

      def breath(word)
        value = BREATHS[word.text] or return
        set(word, :first_breath, value)
      end

      def mark(word)
        name, value = word.text.match(/\A([a-z]+)(\d+(?:[.,]\d+)?)?s?\z/)&.captures
        key = MARKS[name] or return
        value ||= following or return fault(word, "a number must follow \"#{word.written}\"")
        (key == :sao2_low) ? low(word, number(value)) : moment_of(word, key, number(value))
      end

      def low(word, percent)
        unless LOW.cover?(percent)
          return fault(word, "#{Words.number(percent)} % is not allowed; allowed: #{LOW.min} to #{LOW.max} %")
        end

        set(word, :sao2_low, (percent/100r).to_f)
      end

      def moment_of(word, key, seconds)
        held = @rounds.last&.fetch(:held_s)
        if held && seconds > held
          return fault(word, "#{Words.number(seconds)} s lies after the hold of #{Words.number(held)} s")
        end

        set(word, key, seconds.to_f)
      end

      # What is said of the hold before it.
      def set(word, key, value)
        return fault(word, "\"#{word.written}\" belongs to a hold; there is none before it") if @rounds.empty?
        if @rounds.last[:skipped]
          return fault(word, "\"#{word.written}\" belongs to a hold; the one before it was left out")
        end
        return fault(word, "\"#{word.written}\" is said twice of one hold") if @rounds.last[key]

        @rounds.last[key] = value
      end

      def effort(word)
        name, value = word.text.match(/\A([a-z]+)(\d+(?:[.,]\d+)?)?\z/)&.captures
        return unless EFFORTS.include?(name)

        value ||= following or return fault(word, "a number must follow \"#{word.written}\"")
        unless EFFORT.cover?(number(value))
          return fault(word, "effort #{value} is not allowed; allowed: #{EFFORT.min} to #{EFFORT.max}")
        end
        return fault(word, "effort is said twice") if @effort

        @effort = number(value)
      end

      # @return [String, nil] a number that stands by itself after a word that asks for one
      def following = @words.first&.text&.match?(/\A\d+(?:[.,]\d+)?s?\z/) ? @words.shift.text.delete_suffix("s") : nil

      def all_smooth(word) = word.text == ALL_SMOOTH && (@all_smooth = true)

      # The longest name that the next words make.
      def symptom
        found = SymptomNames.at(@words) or return
        taken = @words.shift(found.words)
        return fault(taken.first, "\"#{found.said}\" could be #{found.meant.join(" or ")}") if found.meant.size > 1

        @symptoms.concat(found.keys)
      end

      def day
        found = Days.at(@words, @today) or return
        taken = @words.shift(found.words)
        return fault(taken.first, found.wrong) if found.wrong
        return fault(taken.first, "the day is said twice") if @date

        @date = found.date
      end

      def moment
        text = @words.first.text
        return unless text.start_with?("@")

        word = @words.shift
        hours, minutes = text.match(/\A@([01]?\d|2[0-3]):([0-5]\d)\z/)&.captures
        return fault(word, "\"#{word.written}\" is not a time of day; it is written @18:30") unless hours
        return fault(word, "the time of day is said twice") if @at

        @at = format("%02d:%s", hours.to_i, minutes)
      end

      KNOWN = [*BREATHS.keys, *MARKS.keys, *EFFORTS, ALL_SMOOTH].select { |word| word.length > 1 }.freeze

      def unknown(word)
        near = Near.of(word.text, KNOWN + SymptomNames.all + Days.all)
        fault(word, "\"#{word.written}\" is not known#{"; perhaps \"#{near}\"" if near}")
      end
    end
  end
end
