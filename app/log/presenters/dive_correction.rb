# frozen_string_literal: true

module Windlass
  module Presenters
    # A dive as a form, as it stands; the same questions as on the surface clock.
    class DiveCorrection
      YES_NO = {"true" => "yes", "false" => "no"}.freeze
      FIELDS = [
        MeasureCorrection::Field.new(key: :seconds, label: "Length, s", choices: nil, type: "text"),
        MeasureCorrection::Field.new(key: :depth_m, label: "Depth, m", choices: nil, type: "text"),
        MeasureCorrection::Field.new(key: :hard, label: "Hard", choices: YES_NO, type: nil),
        MeasureCorrection::Field.new(
          key: :signs,
          label: "Signs",
          choices: {
            "" => "not noted",
            "well" => "well",
            "shaking" => "shaking",
            "blackout" => "blackout"
          },
          type: nil
        ),
        MeasureCorrection::Field.new(key: :buddy, label: "With", choices: nil, type: "text"),
        MeasureCorrection::Field.new(key: :weight_kg, label: "Weight, kg", choices: nil, type: "text"),
        MeasureCorrection::Field.new(key: :line, label: "On a line", choices: YES_NO, type: nil),
        MeasureCorrection::Field.new(key: :note, label: "Note", choices: nil, type: "text")
      ].freeze

      # @param dive [Records::Dive]
      # @param now [Time]
      # @param params [Hash, nil] as they came; nil: nothing was sent yet
      def initialize(dive, now:, params: nil)
        @dive = dive
        @now = now
        @params = params
      end

      # @return [String] the record as it stood when the form was opened
      def seen = @params ? @params["seen"].to_s : @dive.seen_as

      def name = "dive of #{@dive.down_at.getlocal.strftime("%-d %b, %H:%M")}"

      def title = "Correct: #{name}, #{athlete.name}"

      def athlete = @dive.athlete

      def path = "/athletes/#{athlete.id}/dives"

      def address = "/dives/#{@dive.uuid}"

      def fields = FIELDS

      # @return [Forms::Form]
      def form =
        @form ||=
          if @params
            Forms::DiveForm.parse(
              @params.slice(*FIELDS.map { |field| field.key.to_s }).merge(known),
              now: @now,
              shown: standing.to_h { |key, text| [key, [text, @dive[key]]] }
            )
          else
            Forms::DiveForm.blank(standing)
          end

      def corrections = Corrections.of(@dive)

      private

      def known =
        {"uuid" => @dive.uuid, "athlete_id" => @dive.athlete_id, "down_ms" => (@dive.down_at.to_r * 1000).to_i}

      def standing =
        @dive
          .attributes
          .slice(*FIELDS.map { |field| field.key.to_s })
          .transform_values { |value| value.is_a?(Numeric) ? Words.number(value) : value.to_s }
    end
  end
end
