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
        @account.of(Records::Dive)
          .where(local_date: @now.to_date)
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
  end
end
