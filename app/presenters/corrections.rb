# frozen_string_literal: true

module Windlass
  module Presenters
    # What stood in a record before it was corrected, in words.
    module Corrections
      COLUMNS = {"held_ms" => "held", "first_breath" => "first breath", "sao2_low" => "lowest saturation", "local_date" => "day"}.freeze

      # @param record [Records::Record]
      # @return [Array<String>] newest first
      def self.of(record)
        Records::Correction.of_record(record).map { |one| "#{Dates.short(one.corrected_at.getlocal.to_date)} #{one.corrected_at.getlocal.strftime("%H:%M")}, by #{one.corrected_by}; before: #{said(one.before).join(", ")}" }
      end

      def self.said(before)
        rounds = before.fetch("rounds", {}).flat_map { |number, columns| columns.map { |column, value| "hold #{number} #{words(column, value)}" } }
        before.except("rounds").map { |column, value| words(column, value) } + rounds
      end

      def self.words(column, value) = "#{COLUMNS.fetch(column, column.tr("_", " "))} #{shown(column, value)}"

      def self.shown(column, value)
        return Words.seconds(value / 1000.0) if column.end_with?("_ms")
        return "#{(value * 100).round} %" if column == "sao2_low"
        return value.map { |key, inner| "#{key.to_s.tr("_", " ")} #{inner}" }.join(", ") if value.is_a?(Hash)
        return value.map { |one| one.tr("_", " ") }.join(", ") if column == "conditions"

        (column == "symptoms") ? Progression::Symptoms.words(value.map(&:to_sym)) : value
      end
      private_class_method :said, :words, :shown
    end
  end
end
