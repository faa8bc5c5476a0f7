# frozen_string_literal: true

module Windlass
  module Forms
    # What the coach says of a session: effort, symptoms, a note, and part by part what was held, or how far an exhale
    # went, and how it was.
    class RatingForm < Form
      EFFORT = (0..10)
      HELD_S = (0..1200)
      BEATS = (0..120)
      LOW_PERCENT = (30..100)
      # Rounds that a form can have; and as many faults as a page can bear. Each round is looked at by itself.
      MOST_ROUNDS = 2000
      MOST_FAULTS = 20

      class Rules < Contract
        params do
          optional(:effort).maybe(Types::Number)
          optional(:symptoms).array(:string, included_in?: Progression::Symptoms::ALL.keys.map(&:to_s))
          optional(:note).maybe(:string)
          optional(:place).maybe(Types::Text)
          optional(:ribs).maybe(:string, included_in?: Progression::RIBS_STAYED.map(&:to_s))
        end

        rule(:place).validate(at_most_characters: 80)
        rule(:effort).validate(within: EFFORT)
        rule(:note).validate(at_most_characters: 4000)
      end
      RULES = Rules

      class RoundRules < Contract
        params do
          optional(:held_s).maybe(Types::Seconds)
          optional(:beats).maybe(Types::Number)
          optional(:low).maybe(Types::Number)
          optional(:first_breath).maybe(:string, included_in?: Timeline::FIRST_BREATHS.map(&:to_s))
          optional(:ribs).maybe(:string, included_in?: Progression::RIBS.map(&:to_s))
          optional(:stream).maybe(:string, included_in?: Progression::STREAMS.map(&:to_s))
        end

        {
          held_s: [HELD_S, "seconds held"],
          beats: [BEATS, "beats"],
          low: [LOW_PERCENT, "percent"]
        }.each do |field, (range, unit)|
          rule(field) do
            fault = value && outside(value, range)
            base.failure("#{fault} #{unit}") if fault
          end
        end
      end
      ROUND_RULES = RoundRules.new

      # @param params [Hash] rounds come as a Hash by number: rounds[3][held_s]
      # @param beat_ms [Hash{Integer => Numeric}] milliseconds of a beat, by the number of a sounded exhale
      # @param held_ms [Hash{Integer => Integer, :unmarked}] what is known of each part: what comes back as it was shown
      #   is left alone
      # @param effort [Float, nil] likewise
      def self.parse(params, beat_ms: {}, held_ms: {}, effort: nil) = new(params, beat_ms, held_ms, effort)

      # @return [String] as it stands in its field
      def self.seconds(held_ms) = Words.typed_seconds(held_ms / 1000.0)

      # @return [String] likewise, of what is counted in beats
      def self.beats(held_ms, beat_ms) = Words.number(held_ms / beat_ms)

      def initialize(params, beat_ms, held_ms, effort)
        super(params, Rules.new, shown: {"effort" => [effort && Words.number(effort), effort]})
        @held_ms = held_ms
        @rounds = {}
        given = typed["rounds"].is_a?(Hash) ? typed["rounds"].first(MOST_ROUNDS) : []
        given.each { |number, round| read_round(number, round, beat_ms) if errors.size < MOST_FAULTS }
      end

      # @return [Array<String>]
      def symptoms = list_at(:symptoms)

      # @return [Hash] what was typed of a round
      def typed_round(number) = typed_at("rounds[#{number}]").then { |round| round.is_a?(Hash) ? round : {} }

      # @return [Hash] values with rounds by number, as columns
      def columns = {effort: nil, symptoms: [], note: ""}.merge(values).merge(rounds: @rounds)

      private

      def read_round(number, round, beat_ms)
        place = Integer(number.to_s, 10, exception: false)
        return errors["rounds[#{number.to_s[0, 20]}]"] = "is no round" unless place&.positive? && round.is_a?(Hash)

        result = ROUND_RULES.call(round)
        name_faults(place, result.errors.to_h)
        return unless result.success?

        @rounds[place] = columns_of(result.to_h, beat_ms[place])
        @rounds[place].delete(:held_ms) if left_alone?(round, @held_ms[place], beat_ms[place])
      end

      # What nobody marked has an empty field; empty it comes back.
      def left_alone?(round, held_ms, beat_ms)
        return round["held_s"].to_s.strip.empty? if held_ms == :unmarked

        held_ms &&
          (
            if beat_ms
              round["beats"] == self.class.beats(held_ms, beat_ms)
            else
              round["held_s"] == self.class.seconds(held_ms)
            end
          )
      end

      def name_faults(place, faults)
        faults.each do |field, wrong|
          errors[field ? "rounds[#{place}][#{field}]" : "rounds[#{place}]"] = wrong.join("; ")
        end
      end

      def columns_of(round, beat_ms)
        changes = round.slice(:first_breath, :ribs, :stream)
        changes[:held_ms] = round[:held_s] && (round[:held_s] * 1000).round if round.key?(:held_s)
        changes[:held_ms] = round[:beats] && (round[:beats] * beat_ms).round if round.key?(:beats) && beat_ms
        changes[:sao2_low] = round[:low] && (round[:low] / 100.0).round(3) if round.key?(:low)
        changes
      end
    end
  end
end
