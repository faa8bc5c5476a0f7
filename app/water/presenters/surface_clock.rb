# frozen_string_literal: true

module Windlass
  module Presenters
    # The surface clock: divers in pairs, and what was dived today before.
    class SurfaceClock
      # @param pairs [Array<Array<Records::Athlete>>]
      def initialize(account, pairs, now:, margin: 1)
        @account = account
        @pairs = pairs
        @margin = margin
        @now = now
      end

      def emergency_card = EmergencyCard.new(@account.place)

      # @return [Array<Array(Integer, Integer, Records::Athlete)>] pair, key, diver
      def rows =
        @rows ||=
          @pairs
            .each_with_index
            .flat_map { |pair, index| pair.map { |athlete| [index, athlete] } }
            .each_with_index
            .map { |(pair, athlete), key| [pair, key + 1, athlete] }

      # @return [Hash] for the clock's script
      def plan
        {
          rules: Water::Surface.to_h.merge(margin: @margin),
          signs_after_s: Water::SIGNS_AFTER_S,
          divers:
            rows.map do |pair, _, athlete|
              {id: athlete.id, name: athlete.name, pair: pair, buddy: buddies(pair, athlete), dives: dives(athlete)}
            end
        }
      end

      def keys =
        {
          "1 to #{rows.size}" => "under, and up: the diver whose number it is",
          "E" => "emergency: the card fills the screen"
        }

      private

      def buddies(pair, athlete) = (@pairs[pair] - [athlete]).map(&:name).join(", ")

      def dives(athlete)
        Records::Dive
          .where(athlete_id: athlete.id, local_date: @now.to_date)
          .in_order
          .map do |dive|
            {
              uuid: dive.uuid,
              down_ms: (dive.down_at.to_f * 1000).round,
              seconds: dive.seconds,
              depth_m: dive.depth_m,
              hard: dive.hard,
              signs: dive.signs,
              weight_kg: dive.weight_kg,
              line: dive.line,
              note: dive.note
            }
          end
      end
    end
  end
end
