# frozen_string_literal: true

module Windlass
  module Presenters
    # A second screen that follows a deck: what it shows, and nothing that can be pressed.
    class FollowScreen
      attr_reader :path

      # @param sessions [Array<Records::Session>]
      # @param path [String] below which it asks where they stand
      def initialize(sessions, path:)
        Records::Record.read_along(sessions, [:timeline, :prescription, :athlete])
        @decks = Deck.together(sessions)
        @path = path
      end

      def title = "Following #{Words.list(@decks.map(&:name))}"

      def alone? = @decks.one?

      # @return [Deck] of the one that is followed alone
      def deck = @decks.first

      # @return [Array<SquadDeck::Row>]
      def rows = SquadDeck.rows(@decks)

      # @return [Hash] for the screen's script
      def plan = {path: "#{path}/told", lanes: @decks.map { |deck| deck.plan.merge(name: deck.name) }}
    end
  end
end
