# frozen_string_literal: true

module Windlass
  module Forms
    # What the coach says of a session: effort, symptoms, a note, and round by round what was held and how the first
    # breath was.
    class RatingForm < Form
      EFFORT = (0..10)
      HELD_S = (0..1200)

      class Rules < Contract
        params do
          optional(:effort).maybe(Types::Number)
          optional(:symptoms).array(:string, included_in?: Progression::Symptoms::ALL.keys.map(&:to_s))
          optional(:note).maybe(:string)
          optional(:rounds).array(:hash) do
            required(:number).filled(:integer)
            optional(:held_s).maybe(Types::Number)
            optional(:first_breath).maybe(:string, included_in?: Timeline::FIRST_BREATHS.map(&:to_s))
          end
        end

        rule(:effort).validate(within: EFFORT)
        rule(:note).validate(at_most_characters: 4000)
        rule(:rounds).each do
          fault = value[:held_s] && outside(value[:held_s], HELD_S)
          key.failure("#{fault} seconds held") if fault
        end
      end
      RULES = Rules

      # @param params [Hash] rounds come as a Hash by number: rounds[3][held_s]
      def self.parse(params)
        rounds = params["rounds"]
        listed = rounds.is_a?(Hash) ? rounds.map { |number, one| one.to_h.merge("number" => number) } : []
        super(params.merge("rounds" => listed))
      end

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
          changes = round.slice(:first_breath)
          changes[:held_ms] = round[:held_s] && (round[:held_s] * 1000).round if round.key?(:held_s)
          [round[:number], changes]
        end
      end
    end
  end
end
