# frozen_string_literal: true

module Windlass
  module Measures
    # Something that is asked when a measure is taken.
    # @param range [Range, nil] of a number; nil with choices and text
    # @param choices [Hash{String => String}, nil]
    # @param mark [String, nil] key that sets it while the clock runs
    Field =
      Value.define(:key, :words, unit: nil, range: nil, choices: nil, optional: false, mark: nil) do
        # @return [String] `Breaths, a minute`, `Held (1:35 or 95 s)`
        def label = (unit == "s") ? "#{words} (1:35 or 95 s)" : [words, unit].compact.join(", ")

        # @return [String] an answer as it is typed: `3:14.2`
        def typed(value)
          return value.to_s unless value.is_a?(Numeric)

          (unit == "s") ? Words.typed_seconds(value) : Words.number(value)
        end

        # @return [String] an answer: `3:14`, `54 a minute`, `a gasp`
        def in_words(value)
          return choices.fetch(value) if choices
          return value.to_s unless value.is_a?(Numeric)

          (unit == "s") ? Words.seconds(value) : [Words.number(value), unit].compact.join(" ")
        end
      end
  end
end
