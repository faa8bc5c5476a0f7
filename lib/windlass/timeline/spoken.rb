# frozen_string_literal: true

module Windlass
  module Timeline
    # What is said when a part begins, for closed eyes: left and right, in and out, nose and mouth can be told apart. Words are
    # shipped as small sounds, one a word.
    module Spoken
      # Text of every word that ships, by name of its file. Numbers stand for themselves.
      NUMBERS = (1..40).to_h { |number| [number.to_s, number.to_s] }.freeze
      CUES = {
        "in" => "in", "out" => "out", "hold" => "hold", "breathe" => "breathe", "left" => "left", "right" => "right", "nose" => "by the nose", "mouth" => "by the mouth",
        "hand-down" => "hand down", "hiss" => "hiss", "blow" => "blow", "shush" => "shh", "sing" => "sing", "go" => "go", "wait" => "wait", "full" => "full", "empty" => "empty",
        "let-go" => "let the lock go", "two-more-minutes" => "two more minutes", "let-go-soon" => "let go soon", "last-minute" => "last minute", "last-round" => "the last round", "round" => "round"
      }.freeze
      # Whose cue it is, beside others: the letter of the lane, as it stands on it.
      LANES = Squad::LETTERS.to_h { |letter| ["lane-#{letter.downcase}", letter] }.freeze
      WORDS = CUES.merge(NUMBERS, LANES).freeze

      # A part that is shorter leaves no time for words.
      SHORTEST_MS = 1500
      SOUNDS = {hiss: "hiss", blow: "blow", shush: "shush", note: "sing"}.freeze
      SIDES = %i[left right].freeze

      # @param segment [Segment]
      # @return [Array<String>] names of words, in order
      def self.of(segment)
        return [] if segment.silent || segment.ms < SHORTEST_MS

        case segment.kind
        when :hold then ["hold"]
        when :inhale then ["in", *way(segment)]
        when :exhale then segment.sound ? [SOUNDS.fetch(segment.sound)] : ["out", *way(segment)]
        else breathing(segment)
        end
      end

      # @param letter [String]
      # @return [String] name of the word
      def self.lane(letter) = "lane-#{letter.downcase}"

      # A part that is shorter leaves no time to say the round as well.
      ROUND_FROM_MS = 3500

      # Where we are, by ear: at the first part of a round that leaves the time.
      # @param segment [Segment]
      # @param rounds [Integer] there are
      # @return [Array<String>]
      def self.of_round(segment, rounds)
        return [] if rounds < 2 || !NUMBERS.key?(segment.round.to_s)

        ["round", segment.round.to_s, *(["last-round"] if segment.round == rounds)]
      end

      # @param called [String] what is called within a part or a session
      # @return [Array<String>]
      def self.of_call(called) = [CUES.key(called.downcase)].compact

      def self.way(segment) = [*([segment.route.to_s] if SIDES.include?(segment.route) || segment.route == :mouth)]

      def self.breathing(segment)
        return ["wait"] if segment.until == :word
        return ["go"] if segment.repetitions

        (segment.route == :both) ? %w[hand-down breathe] : ["breathe"]
      end
      private_class_method :way, :breathing
    end
  end
end
