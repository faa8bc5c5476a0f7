# frozen_string_literal: true

module Windlass
  module Forms
    # What the deck sends: a batch of events with the browser's own uuids. Each is taken or refused by itself, so that
    # an impossible one keeps none of the others from being kept.
    class JournalForm
      MOST_EVENTS = 500
      # A session ends within a day.
      LONGEST_MS = 86_400_000
      # What was marked without a network is sent within so many days.
      LONGEST_AGO_MS = 366 * 86_400_000

      ANSWER = Regexp.union(Progression::TodaysQuestions::ALL.keys.map(&:to_s))
      private_constant :ANSWER

      # What may stand in `value`, by kind of event; nothing with the others.
      VALUES = {
        "first_breath" => Timeline::FIRST_BREATHS.map(&:to_s),
        "oximeter" => (30..100).map(&:to_s),
        "hold_now" => (1..40).map(&:to_s),
        "emergency_note" => Emergency::NOTES.keys.map(&:to_s),
        "effort" => (0..10).map(&:to_s),
        "beat" => (40..120).map(&:to_s),
        "asked" => ["nothing", /\A#{ANSWER}(,#{ANSWER})*\z/],
        "hold_end" => [nil, Timeline::UNMARKED.to_s],
        "hiss" => [/\A\d{1,6}\.(even|fading|flickering)\z/],
        "symptom" =>
          Progression::Symptoms::ALL
            .keys
            .product(Progression::Symptoms::STRENGTHS.keys)
            .map { |symptom, strength| "#{symptom}.#{strength}" }
      }.freeze
      ROUNDS = (1..10_000)
      KINDS = Timeline::EVENT_KINDS.map(&:to_s).freeze
      UUID = /\A\h{8}-\h{4}-4\h{3}-[89ab]\h{3}-\h{12}\z/

      # events: those that are taken, with symbols for keys. refused: uuid and why, of the others.
      attr_reader :events, :refused

      # @return [String, nil] why nothing of the batch can be looked at
      attr_reader :fault

      # @return [String, nil] which device sends
      attr_reader :device

      # @return [String, nil] the key of the run
      attr_reader :key

      # @return [String, nil] uuid of a set that lay on the phone, where it is one
      attr_reader :laid_set

      # @return [Hash, nil] where the run stands, for a second screen; what is no such thing is passed over
      attr_reader :told

      DEVICE = /\A\h{16}\z/
      MOST_TOLD = 20_000

      # @param body [Object] as parsed
      # @return [JournalForm]
      def self.parse(body) = new(body.is_a?(Hash) ? body : {})

      def initialize(body)
        listed = body["events"]
        @device = body["device"] if body["device"].is_a?(String) && DEVICE.match?(body["device"])
        @key = body["key"] if body["key"].is_a?(String)
        @laid_set = body["laid_set"] if body["laid_set"].is_a?(String) && UUID.match?(body["laid_set"])
        @told = body["state"] if body["state"].is_a?(Hash) && JSON.generate(body["state"]).bytesize <= MOST_TOLD
        @fault = "events: a list of up to #{MOST_EVENTS} is needed" unless listed.is_a?(Array) &&
          listed.size <= MOST_EVENTS
        @events, @refused = [], []
        (@fault ? [] : listed).each { |event| sort(event) }
      end

      def valid? = fault.nil?

      private

      def sort(event)
        wrong = event.is_a?(Hash) ? wrong_with(event) : "is no event"
        if wrong.nil?
          return @events << event.slice("uuid", "kind", "at_ms", "round", "value", "ago_ms").transform_keys(&:to_sym)
        end

        uuid = event.is_a?(Hash) ? event["uuid"] : nil
        @refused << {uuid: uuid.is_a?(String) ? uuid[0, 36] : nil, why: wrong}
      end

      # @return [String, nil]
      def wrong_with(event)
        allowed = VALUES.fetch(event["kind"], [nil])
        return "uuid is none" unless event["uuid"].is_a?(String) && UUID.match?(event["uuid"])
        return "kind is not known" unless KINDS.include?(event["kind"])
        return "at_ms lies outside of a day" unless whole?(event["at_ms"], 0..LONGEST_MS)
        return "ago_ms is none" unless event["ago_ms"].nil? || whole?(event["ago_ms"], 0..LONGEST_AGO_MS)
        return "round is none" unless event["round"].nil? || whole?(event["round"], ROUNDS)

        "value does not go with #{event["kind"]}" unless allowed.any? { |one| one === event["value"] }
      end

      def whole?(value, range) = value.is_a?(Integer) && range.cover?(value)
    end
  end
end
