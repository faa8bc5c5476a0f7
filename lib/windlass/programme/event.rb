# frozen_string_literal: true

module Windlass
  module Programme
    # What is eased toward. kind: one of {KINDS}; at_min nil where the hour is not known.
    Event =
      Value.define(:date, :kind, at_min: nil, name: nil) do
        def test? = kind == :test

        def water? = WATER_KINDS.include?(kind)

        # @return [String] `the concert on 10 April 2026`
        def in_words = "the #{name || KINDS.fetch(kind)} on #{Words.date(date)}"
      end
  end
end
