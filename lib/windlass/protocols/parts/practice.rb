# frozen_string_literal: true

module Windlass
  module Protocols
    # Practice lines before voice work: the breath in alone; in and keep; then the whole is what follows. Common
    # practice, no source.
    module Practice
      LINES = {"none" => "none", "in" => "in alone", "keep" => "in alone, then in and keep"}.freeze

      # @param lines [String, nil] of {LINES}
      # @param fill [#call] writes the breath in
      # @param keep [#call] writes what is kept
      # @param let_go [#call] writes the letting go
      def self.write(line, lines, fill:, keep:, let_go:)
        return if lines.nil? || lines == "none"

        line.within(phase: :settle) do
          fill.call(cue: "Practice: in alone")
          let_go.call
          next if lines == "in"

          fill.call(cue: "Practice: in, and keep")
          keep.call
          let_go.call
        end
      end
    end
  end
end
