# frozen_string_literal: true

module Windlass
  module Forms
    # Times of the day as people type them: 7:00, 07:00, 7.30, 0730.
    module WeekTime
      DAYS = %w[Mon Tue Wed Thu Fri Sat Sun].freeze

      # @return [Integer, nil] minutes of the day; nil where it is none
      def self.minutes(text)
        hours, minutes = text.to_s.strip.match(/\A([01]?\d|2[0-3])[:.]?([0-5]\d)\z/)&.captures
        hours && hours.to_i * 60 + minutes.to_i
      end
    end
  end
end
