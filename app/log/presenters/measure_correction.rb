# frozen_string_literal: true

module Windlass
  module Presenters
    # A measure of any kind as a form, as it stands.
    class MeasureCorrection
      Field = Value.define(:key, :label, :choices, :type)

      ON_WAKING = {true => "on waking, before food", false => "at another time"}.freeze

      CONTROL_PAUSE = [
        Field.new(key: :seconds, label: "Pause (1:35 or 95 s)", choices: nil, type: "text"),
        Field.new(
          key: :ended_by,
          label: "What ended it",
          choices: Measures::ENDINGS.transform_values(&:words),
          type: nil
        ),
        Field.new(
          key: :first_breath,
          label: "The first breath after it was",
          choices: Measures::FIRST_BREATHS,
          type: nil
        ),
        Field.new(key: :on_waking, label: "Taken", choices: ON_WAKING, type: nil)
      ].freeze

      attr_reader :measure

      # @param measure [Records::Measure]
      # @param params [Hash, nil] as they came; nil: nothing was sent yet
      def initialize(measure, today:, params: nil)
        @measure = measure
        @params = params
        @today = today
      end

      def name = measure.name.downcase

      def title = "Correct: #{name}, #{athlete.name}"

      def athlete = measure.athlete

      # @return [String] the record as it stood when the form was opened
      def seen = @params ? @params["seen"].to_s : measure.seen_as

      # @return [String] address of its page
      def path = measure.path

      # @return [String] what corrections and discards are sent to
      def address = "/measures/#{measure.uuid}"

      # @return [Forms::Form]
      def form = @form ||= @params ? parsed(@params.merge("uuid" => measure.uuid)) : Forms::MeasureForm.blank(standing)

      # @return [Array<Field>]
      def fields
        asked =
          if measure.control_pause?
            CONTROL_PAUSE
          else
            measure.to_kind.fields.map do |field|
              Field.new(key: field.key, label: field.label, choices: field.choices, type: "text")
            end
          end
        [
          *asked,
          Field.new(key: :taken_on, label: "Day", choices: nil, type: "date"),
          Field.new(key: :note, label: "Note", choices: nil, type: "text")
        ]
      end

      def corrections = Corrections.of(measure)

      private

      def parsed(params)
        if measure.control_pause?
          return (
            Forms::ControlPauseForm.parse(
              params,
              today: @today,
              shown: {"seconds" => [standing[:seconds], measure.value]}
            )
          )
        end

        Forms::MeasureForm.parse(
          params,
          kind: measure.to_kind,
          today: @today,
          shown: typed_details.to_h { |key, text| [key.to_s, [text, measure.details[key.to_s]]] }
        )
      end

      def typed_details
        fields = measure.to_kind.fields.index_by(&:key)
        measure.details.symbolize_keys.to_h { |key, value| [key, fields[key] ? fields[key].typed(value) : value.to_s] }
      end

      def standing
        said =
          if measure.control_pause?
            {
              seconds: Words.typed_seconds(measure.value),
              ended_by: measure.ended_by,
              first_breath: measure.first_breath,
              on_waking: measure.on_waking.to_s
            }
          else
            typed_details
          end
        said.merge(taken_on: measure.taken_at.getlocal.to_date.iso8601, note: measure.note)
      end
    end
  end
end
