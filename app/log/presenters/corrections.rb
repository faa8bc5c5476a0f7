# frozen_string_literal: true

module Windlass
  module Presenters
    # What stood in a record before it was corrected, in the words of the form that asks it.
    module Corrections
      YES_NO = ->(value) { value ? "yes" : "no" }
      DAY = ->(value) { Words.date(Time.parse(value.to_s).getlocal.to_date) }

      # What a column is called, and how its value is said.
      COLUMNS = {
        "held_ms" => ["held", ->(value) { Words.seconds(value / 1000.0) }],
        "sao2_low" => ["lowest saturation", ->(value) { "#{(value * 100).round} %" }],
        "seconds" => ["length", ->(value) { Words.seconds(value) }],
        "depth_m" => ["depth", ->(value) { "#{Words.number(value)} m" }],
        "weight_kg" => ["weight", ->(value) { "#{Words.number(value)} kg" }],
        "hard" => ["hard", YES_NO],
        "line" => ["on a line", YES_NO],
        "buddy" => ["with", nil],
        "symptoms" => ["symptoms", ->(value) { Progression::Symptoms.words(value.map(&:to_sym)) }],
        "taken_at" => ["day", DAY],
        "guardian_consent_on" => ["consent of a guardian", DAY],
        "value" => ["pause", ->(value) { Words.seconds(value) }],
        "ended_by" => ["ended by", ->(value) { Measures::ENDINGS.fetch(value.to_sym).words }],
        "on_waking" => ["taken", ->(value) { MeasureCorrection::ON_WAKING.fetch(value) }],
        "conditions" => ["answered", ->(value) { ScreeningAnswers.in_words(value) }]
      }.freeze

      # @param record [Records::Record]
      # @return [Array<String>] newest first
      def self.of(record)
        Records::Correction
          .of_record(record)
          .map do |one|
            "#{Dates.short(one.corrected_at.getlocal.to_date)} #{one.corrected_at.getlocal.strftime("%H:%M")}, by " \
            "#{one.corrected_by}; before: #{said(record, one.before).join(", ")}"
          end
      end

      # In the order of the tables: not every database keeps that in which something was written as JSON.
      def self.said(record, before)
        rounds =
          before
            .fetch("rounds", {})
            .flat_map do |number, columns|
              in_order(columns, Records::Round).map { |column, value| "hold #{number} #{words(column, value)}" }
            end
        # What a measure is read from stands in its answers.
        answers = before.fetch("details", {}).map { |key, value| answer(record.to_kind, key.to_sym, value) }
        columns = before.except("rounds", "details", *("value" if answers.any?))
        answers + in_order(columns, record.class).map { |column, value| words(column, value) } + rounds
      end

      def self.in_order(columns, table) =
        columns.sort_by { |column, _| table.column_names.index(column) || table.column_names.size }

      def self.answer(kind, key, value)
        field = kind.fields.find { |one| one.key == key }
        "#{field.words.downcase} #{field.in_words(value)}"
      end

      def self.words(column, value)
        name, say = COLUMNS[column]
        "#{name || column.tr("_", " ")} #{say ? say.call(value) : value}"
      end
      private_class_method :said, :in_order, :answer, :words
    end
  end
end
