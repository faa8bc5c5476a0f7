# frozen_string_literal: true

module Windlass
  module Presenters
    # The deck for several: every lane's plan with its letter and its start, and its line in small.
    class SquadDeck
      Row = Value.define(:lane, :letter, :name, :title, :line)

      attr_reader :squad

      # @param squad [Records::Squad]
      # @param keys [RunKeys, nil]
      def initialize(squad, keys: nil)
        @squad = squad
        @keys = keys
      end

      def title = "Together: #{decks.map(&:name).join(", ")}"

      # @param decks [Array<Deck>]
      # @return [Array<Row>]
      def self.rows(decks)
        decks.each_with_index.map do |deck, lane|
          Row.new(
            lane: lane,
            letter: Windlass::Squad::LETTERS[lane],
            name: deck.name,
            title: deck.title,
            line: Miniature.of_plan(deck.session)
          )
        end
      end

      # @return [Array<Row>]
      def rows = @rows ||= self.class.rows(decks)

      # @return [Hash] for the deck's script
      def plan
        {
          uuid: squad.uuid,
          on_the_word: squad.on_the_word,
          words: words,
          lanes:
            decks.each_with_index.map do |deck, lane|
              deck.plan.merge(letter: Windlass::Squad::LETTERS[lane], name: deck.name, starts_s: deck.session.starts_s)
            end
        }
      end

      # @return [Array<Array(String, String)>] whose, and what is to be minded: each sentence once
      def cautions
        said = decks.flat_map { |deck| (deck.cautions - [emergency_card.missing]).map { |words| [words, deck.name] } }
        said
          .group_by(&:first)
          .map { |words, pairs| [(pairs.size == decks.size) ? "All" : pairs.map(&:last).join(", "), words] }
      end

      def emergency_card = decks.first.emergency_card

      def symptoms = decks.first.symptoms

      def stops = decks.first.stops

      def holds_now? = decks.any?(&:holds_now?)

      def urges_asked? = decks.any?(&:urges_asked?)

      def breaths_asked? = decks.any?(&:breaths_asked?)

      # @return [Hash{String => String}] what each key does
      def keys = DeckKeys.together(rows.map(&:letter))

      private

      def words =
        decks.flat_map { |deck| deck.plan.fetch(:words) }.uniq +
          rows.map { |row| Spoken::Clips.name("lane #{row.letter}") }

      def decks = @decks ||= Deck.together(squad.sessions, keys: @keys)
    end
  end
end
