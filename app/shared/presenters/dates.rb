# frozen_string_literal: true

module Windlass
  module Presenters
    # Days in words.
    module Dates
      # @return [String] `Wed 25 Nov`
      def self.short(date) = date.strftime("%a %-d %b")

      # @return [String] `25 Nov`, for a column
      def self.brief(date) = date.strftime("%-d %b")

      # @return [String] `Wednesday 25 November 2026`
      def self.long(date) = date.strftime("%A %-d %B %Y")

      # @return [String] the same, to begin a sentence with
      def self.opening(date, today) = near(date, today).sub(/\A./, &:upcase)

      # @return [String] `today`, `yesterday`, `Wed 25 Nov`
      def self.near(date, today)
        case (today - date).to_i
        when 0
          "today"
        when 1
          "yesterday"
        else
          short(date)
        end
      end
    end
  end
end
