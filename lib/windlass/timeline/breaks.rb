# frozen_string_literal: true

module Windlass
  module Timeline
    # Single rounds that leave the pattern: another hold, another rest.
    module Breaks
      LENGTHS_S = {hold_s: (1..600), rest_s: (1..1200)}.freeze
      KEYS = [:round, *LENGTHS_S.keys].freeze
      # Natural breathing that a rest keeps at least, whatever its breaths in and out take.
      SHORTEST_MS = 1000

      # @param compiled [Compiled]
      # @param breaks [Array<Hash>] {round:, hold_s:, rest_s:}; of a round that is not there nothing is changed
      # @return [Compiled]
      def self.apply(compiled, breaks)
        return compiled if breaks.empty?

        changes = breaks.to_h { |one| [one[:round], one] }
        compiled.with_segments(
          compiled
            .segments
            .chunk_while { |a, b| a.round == b.round }
            .flat_map { |round| changes.key?(round.first.round) ? broken(round, changes[round.first.round]) : round }
        )
      end

      # @param breaks [Array<Hash>]
      # @param last [Integer, nil] number of the last round, where it is known
      # @return [Array<String>] `the last hold 35 s`, `rest 2:00 in round 3`
      def self.in_words(breaks, last: nil)
        breaks.flat_map do |one|
          {hold_s: "hold", rest_s: "rest"}.select { |key, _| one[key] }
            .map do |key, words|
              if one[:round] == last
                "the last #{words} #{Words.hold(one[key])}"
              else
                "#{words} #{Words.hold(one[key])} in round #{one[:round]}"
              end
            end
        end
      end

      # @param breaks [Object] as they came
      # @return [Array<String>] what is wrong with them
      def self.faults(breaks)
        return ["breaks: #{Error.shown(breaks)} is not allowed; allowed: a list of rounds"] unless breaks.is_a?(Array)

        breaks.each_with_index.flat_map { |one, index| faults_of(one).map { |fault| "breaks[#{index}]#{fault}" } }
      end

      # The whole rest of a round is what was asked, as a stopwatch sees it: its breaths in and out included. Where a
      # round has a limited hold, that is the one which is changed, and the limit stays its end. A stop within a breath
      # stays as long as it is.
      def self.broken(round, change)
        rest_ms = rest(round).sum(&:ms)
        limited = round.any?(&:limited?)
        round.map do |segment|
          if segment.hold? && !segment.midway && change[:hold_s] && (!limited || segment.limited?)
            segment.with(ms: [(change[:hold_s] * 1000).round, limit_ms(segment)].compact.min)
          elsif segment.rest? && change[:rest_s]
            segment.with(ms: [segment.ms + (change[:rest_s] * 1000).round - rest_ms, SHORTEST_MS].max)
          else
            segment
          end
        end
      end

      # Where a round begins with its rest, all that comes before its hold.
      def self.rest(round) =
        if round.first.phase == :rest
          round.take_while { |segment| !segment.hold? }
        else
          round.select { |segment| segment.phase == :rest }
        end

      def self.limit_ms(segment) = (segment.at_most_ms || segment.ms if segment.limited?)

      def self.faults_of(one)
        unless one.is_a?(Hash) && (one.keys - KEYS).empty?
          return [": #{Error.shown(one)} is not allowed; allowed: #{KEYS.join(", ")}"]
        end

        round =
          if one[:round].is_a?(Integer) && one[:round] > 0
            []
          else
            [".round: #{Error.shown(one[:round])} is not allowed; allowed: the number of a round"]
          end
        wrong = LENGTHS_S.reject { |key, range| one[key].nil? || (one[key].is_a?(Numeric) && range.cover?(one[key])) }
        round +
          wrong.map do |key, range|
            ".#{key}: #{Error.shown(one[key])} is not allowed; allowed: #{range.begin} to #{range.end} s"
          end
      end
      private_class_method :broken, :rest, :limit_ms, :faults_of
    end
  end
end
