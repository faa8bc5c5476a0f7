# frozen_string_literal: true

module Windlass
  module Forms
    # What is asked of whatever was taken on a day: the form's own name, so that a double click is one; the day; a note.
    # A form says how many days back it may lie.
    class TakenContract < Contract
      option :today

      # @param days [Integer]
      def self.at_most_back(days) = rule(:taken_on).validate(lately: days)

      params do
        required(:uuid).filled(:string, :uuid_v4?)
        required(:taken_on).filled(:date)
        optional(:note).maybe(Types::Text)
      end

      rule(:note).validate(at_most_characters: 1000)
    end
  end
end
