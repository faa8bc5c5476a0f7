# frozen_string_literal: true

module Windlass
  module Presenters
    # What stands on a deck before it begins: what is asked, what rung and protocol caution, what the coach wrote.
    class DeckCautions
      # @param session [Records::Session]
      # @param unasked [Boolean] the questions of the day are asked on the deck
      # @param day [Records::Day, nil] what the athlete said that day
      # @param values [Measures::Values] what doses are computed from
      def initialize(session, unasked:, day:, values:)
        @session = session
        @unasked = unasked
        @day = day
        @values = values
      end

      # @return [Array<String>] cautions, and what the coach wrote
      def cautions = [asked, care, *@session.to_protocol.cautions, *notes, emergency_card.missing].compact

      def emergency_card = @emergency_card ||= EmergencyCard.new(@session.athlete.account.place)

      def notes = @session.to_protocol.notes(@session.to_dose)

      private

      def asked
        if @unasked
          "Ask: #{Progression::TodaysQuestions.aloud} If anything is so, close this: quiet breathing only."
        end
      end

      # Where a rung asks for care, who is there is named before it starts.
      def care
        standing = @session.prescription.to_standing(on: @session.local_date, values: @values)
        return unless standing && !@session.over? && standing.ladder.care?(@session.rung)

        watcher = @day&.watcher
        "This rung asks for care: #{watcher.presence || "somebody"} beside, the oximeter on."
      end
    end
  end
end
