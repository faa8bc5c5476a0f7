# frozen_string_literal: true

require "date"
require "time"

module Windlass
  # When something may have been: nobody wrote anything down before, and nothing that was done lies ahead. A day of
  # tomorrow is one, for it is tomorrow somewhere already.
  module Bounds
    EARLIEST = Date.new(1990, 1, 1)
    OLDEST_YEARS = 120

    # @param today [Date]
    # @return [Range<Date>] days of what was done
    def self.done(today) = EARLIEST..(today + 1)

    # @return [Range<Date>] days on which somebody was born who trains
    def self.born(today) = (today << 12 * OLDEST_YEARS)..today

    # @param text [String] `2026-03-02T07:30:00Z`
    # @return [Time, nil] nil where it is no moment, or of a day that there is not: 30 February is no 2 March
    def self.moment(text)
      parts = text.to_s[/\A-?\d+-\d{2}-\d{2}/].to_s.split("-").map(&:to_i)
      Time.iso8601(text) if parts.size == 3 && Date.valid_date?(*parts)
    rescue ArgumentError
      nil
    end
  end
end
