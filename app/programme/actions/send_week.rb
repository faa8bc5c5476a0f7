# frozen_string_literal: true

module Windlass
  module Actions
    # Sends an athlete their week: what is planned and when, with the same as a calendar and on paper. Nothing of how it
    # went, or of what they feel: a letter lies open.
    module SendWeek
      # @param week [Presenters::ProgrammeSheet::Week]
      # @param files [Hash{String => String}] name and bytes
      # @return [Integer] sessions that it tells of
      def self.call(athlete, week, to:, files:)
        athlete.update!(post_to: to)
        marks = week.days.flat_map { |day, marks| marks.map { |mark| [day, mark] } }
        lines = marks.map { |day, mark| "#{day.words}  #{mark.begins}  #{mark.name}, #{mark.minutes}" }
        Post.week(to, athlete.name, "week #{week.number}", lines, files)
        marks.size
      end
    end
  end
end
