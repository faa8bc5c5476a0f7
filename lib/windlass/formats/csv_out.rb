# frozen_string_literal: true

require "csv"

module Windlass
  module Formats
    # Lines of CSV (RFC 4180). No cell begins as what a spreadsheet would run.
    module CsvOut
      RUN = /\A[=+\-@\t\r]/
      NUMBER = /\A-?\d+(\.\d+)?\z/

      # @param cells [Array<Object>]
      # @return [String] with its end
      def self.line(cells) = CSV.generate_line(cells.map { |cell| safe(cell) }, row_sep: "\r\n")

      def self.safe(cell)
        return cell unless cell.is_a?(String)

        (cell.match?(RUN) && !cell.match?(NUMBER)) ? "'#{cell}" : cell
      end
      private_class_method :safe
    end
  end
end
