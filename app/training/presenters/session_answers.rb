# frozen_string_literal: true

module Windlass
  module Presenters
    # What is said of a session after it, as it stands in the fields of its sheet: what was typed, or else what is kept.
    class SessionAnswers
      # What may be said; an answer that nobody knows stays unknown.
      UNKNOWN = {"" => "not known"}.freeze
      RIBS = {"wide" => "wide", "dropped" => "dropped"}.merge(UNKNOWN).freeze
      STREAM = {"even" => "even", "flickering" => "flickering"}.merge(UNKNOWN).freeze
      # What is asked once of a session of sounded exhales.
      RIBS_STAYED = {"always" => "always", "mostly" => "mostly", "no" => "no"}.merge(UNKNOWN).freeze

      # @param session [Records::Session]
      # @param rating [Forms::RatingForm, nil] what was typed, where it has errors
      def initialize(session, rating)
        @session = session
        @rating = rating
      end

      def ribs_answers = RIBS

      def stream_answers = STREAM

      def ribs_stayed_answers = RIBS_STAYED

      def ribs_asked? = @session.to_protocol.families.any?(&:ribs_asked?)

      def ribs = @rating ? @rating.text_at(:ribs) : @session.ribs

      # @return [Hash{String => String}]
      def breath_answers = Timeline::FIRST_BREATHS.to_h { |breath| [breath.to_s, breath.to_s] }.merge(UNKNOWN)

      def effort = @rating ? @rating.text_at(:effort) : @session.effort&.then { |effort| Words.number(effort) }

      # @return [Array<Array(String, Hash, String)>] legend, symptoms and the look of their boxes
      def symptom_groups
        symptoms = Progression::Symptoms
        [
          ["Symptoms", symptoms::WARNINGS.merge(symptoms::OTHERS), ""],
          ["These stop all hold work", symptoms::STOPS, "stop"]
        ]
      end

      def symptom?(symptom) = (@rating ? @rating.symptoms : @session.symptoms).include?(symptom.to_s)

      def place = @rating ? @rating.text_at(:place) : @session.place

      def fault?(field) = !@rating&.fault(field).nil?

      # @return [Array<String>] where this athlete trained before
      def places = Records::Session.where(athlete_id: @session.athlete_id).where.not(place: "").distinct.pluck(:place)

      def note = @rating ? @rating.text_at(:note) : @session.note

      def efforts = (0..10).map(&:to_s)
    end
  end
end
