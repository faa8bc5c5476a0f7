# frozen_string_literal: true

module Windlass
  module Forms
    # What the coach says of a session: effort, symptoms, a note, and round by round what was held and how the first
    # breath was.
    class RatingForm < Form
      EFFORT = (0..10)
      HELD_S = (0..1200)
      BEATS = (0..120)
      # Rounds that a form can have.
      MOST_ROUNDS = 2000

      class Rules < Contract
        params do
          optional(:effort).maybe(Types::Number)
          optional(:symptoms).array(:string, included_in?: Progression::Symptoms::ALL.keys.map(&:to_s))
          optional(:note).maybe(:string)
          optional(:rounds).array(:hash) do
            required(:number).filled(:integer)
            optional(:held_s).maybe(Types::Number)
            optional(:beats).maybe(Types::Number)
            optional(:first_breath).maybe(:string, included_in?: Timeline::FIRST_BREATHS.map(&:to_s))
            optional(:ribs).maybe(:string, included_in?: Progression::RIBS.map(&:to_s))
            optional(:stream).maybe(:string, included_in?: Progression::STREAMS.map(&:to_s))
          end
        end

        rule(:effort).validate(within: EFFORT)
        rule(:note).validate(at_most_characters: 4000)
        rule(:rounds).each do
          fault = value[:held_s] && outside(value[:held_s], HELD_S)
          key.failure("#{fault} seconds held") if fault
          beats = value[:beats] && outside(value[:beats], BEATS)
          key.failure("#{beats} beats") if beats
        end
      end
      RULES = Rules

      # @param params [Hash] rounds come as a Hash by number: rounds[3][held_s]
      # @param beat_ms [Hash{Integer => Numeric}] milliseconds of a beat, by the number of a sounded exhale
      def self.parse(params, beat_ms: {})
        rounds = params["rounds"]
        listed = rounds.is_a?(Hash) ? rounds.first(MOST_ROUNDS).map { |number, one| (one.is_a?(Hash) ? one : {}).merge("number" => number) } : []
        super(params.to_h.merge("rounds" => listed)).tap { |form| form.beat_ms = beat_ms }
      end

      attr_writer :beat_ms

      # @return [Array<String>]
      def symptoms = list_at(:symptoms)

      # @return [Hash] values with rounds by number, as columns
      def columns
        {effort: nil, symptoms: [], note: ""}.merge(values).merge(rounds: rounds)
      end

      # Faults of rounds by the round's own number, as the fields are called.
      def errors
        super.transform_keys do |name|
          name.sub(/\Arounds\[(\d+)\]/) { "rounds[#{typed["rounds"][Regexp.last_match(1).to_i]["number"]}]" }
        end
      end

      private

      def rounds
        values.fetch(:rounds, []).to_h do |round|
          changes = round.slice(:first_breath, :ribs, :stream)
          changes[:held_ms] = round[:held_s] && (round[:held_s] * 1000).round if round.key?(:held_s)
          changes[:held_ms] = held_ms(round) if round.key?(:beats) && @beat_ms.key?(round[:number])
          [round[:number], changes]
        end
      end

      def held_ms(round) = round[:beats] && (round[:beats] * @beat_ms.fetch(round[:number])).round
    end
  end
end
