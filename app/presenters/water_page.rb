# frozen_string_literal: true

module Windlass
  module Presenters
    # Who dives today, with whom, and who may not; and what was dived.
    class WaterPage
      Diver = Value.define(:athlete_id, :name, :asked, :refusal, :pair)
      Dive = Value.define(:name, :down, :length, :depth, :hard, :short, :signs, :buddy)
      MOST_PAIRS = 4
      # How long to stay up: what is needed, or more of it.
      MARGINS = {
        1 => "as long as needed",
        1.25 => "a quarter more",
        1.5 => "half as much again",
        2 => "twice as long"
      }.freeze

      attr_reader :athlete_filter

      # @param account [Records::Account]
      # @param athlete_filter [AthleteFilter] who may dive today
      # @param pairs [Hash{String => String}] number of a pair, by athlete, as it was chosen
      def initialize(account, athlete_filter, now:, pairs: {})
        @account = account
        @athlete_filter = athlete_filter
        @now = now
        @pairs = pairs
      end

      # @return [Array<Diver>] those who may first
      def divers
        @divers ||=
          athletes
            .map do |athlete|
              ready =
                Progression::Readiness.of(situations.of(athlete.id, Progression::WATER).with(watcher: "in a pair"))
              Diver.new(
                athlete_id: athlete.id,
                name: athlete.name,
                asked: asked.include?(athlete.id),
                pair: @pairs[athlete.id.to_s].to_s,
                refusal:
                  (ready.reasons.flat_map { |reason| [reason.text, reason.lifts] }.compact.join(" ") unless ready.go?)
              )
            end
            .sort_by { |diver| [diver.refusal ? 1 : 0, diver.name.downcase] }
      end

      def missing = @account.place.missing

      # @return [Array<Dive>] of today, newest first
      def dives
        Records::Dive
          .where(account_id: @account.ids, local_date: @now.to_date)
          .includes(:athlete)
          .order(down_at: :desc)
          .map do |dive|
            Dive.new(
              name: dive.athlete.name,
              down: dive.down_at.getlocal.strftime("%H:%M"),
              length: Words.clock(dive.seconds.round),
              depth: dive.depth_m ? "#{Words.number(dive.depth_m)} m" : "–",
              hard: dive.hard,
              short: dive.short,
              signs: dive.signs,
              buddy: dive.buddy
            )
          end
      end

      private

      def athletes = @athletes ||= athlete_filter.athletes.to_a

      def situations = @situations ||= Situations.of(athletes, now: @now)

      def asked =
        @asked ||=
          Records::Day.where(athlete_id: athletes.map(&:id), local_date: @now.to_date).pluck(:athlete_id).to_set
    end

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
