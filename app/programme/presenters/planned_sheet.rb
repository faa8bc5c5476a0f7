# frozen_string_literal: true

module Windlass
  module Presenters
    # One planned session: why it lies there, and where else it may lie.
    class PlannedSheet
      attr_reader :planned

      # @param planned [Records::PlannedSession]
      def initialize(planned, now:)
        @planned = planned
        @now = now
      end

      def title = "#{planned.name}, #{planned.athlete.name}"

      def when = "#{Dates.long(planned.local_date)} at #{planned.begins}"

      def mark = @mark ||= ProgrammeMarks.of(planned, today: @now.to_date, done: false)

      def movable? = planned.local_date >= @now.to_date

      # @return [Array<Array(Date, Array<Queries::SlotTrial::Choice>)>] by day
      def choices = movable? ? Queries::SlotTrial.choices(planned, now: @now).group_by(&:date).to_a : []
    end
  end
end
