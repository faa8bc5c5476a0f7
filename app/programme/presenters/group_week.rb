# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # A group's week: days across, athletes down, each session a mark.
    class GroupWeek
      extend Forwardable

      # days: wash and marks of each. left_out: what found no place in this week. why_empty: why nothing stands there.
      Row = Value.define(:name, :athlete_id, :days, :load, :left_out, :why_empty)

      attr_reader :group, :from

      # @param group [Records::Group]
      # @param on [Date] any day of the week
      # @param today [Date]
      def initialize(group, on:, today:)
        @group = group
        @today = today
        @from = on - (on.cwday - 1)
      end

      def_delegators :missing, :planning_waits, :left_out_words

      def title = "#{group.name}, week of #{Dates.short(from)}"

      def dates = (from..from + 6).to_a

      def previous = from - 7

      def following = from + 7

      # @return [Array<WeekDay>]
      def days = @days ||= dates.map { |date| day(date) }

      # @return [Array<Row>]
      def rows
        @rows ||=
          group.athletes.map do |athlete|
            own = planned.fetch(athlete.id, [])
            Row.new(
              name: athlete.name,
              athlete_id: athlete.id,
              load: load(athlete.id),
              left_out: missing.left_out(athlete.id),
              why_empty: (missing.why_empty(athlete) if own.empty?),
              days: dates.map { |date| [ground(athlete.id, date), marks(own, date)] }
            )
          end
      end

      def empty? = planned.empty?

      # @return [Array<GroupSlots::Slot>] the group's own slots of the week in which more than one trains
      def together = GroupSlots.new(group, dates, planned).together

      # @return [Array<Records::Event>] from today on
      def events = group.events.select { |event| event.local_date >= @today }

      # @return [Integer] members who have no programme
      def without_programme = group.athletes.size - programmes.size

      # @return [Boolean]
      def away?(athlete_id, date) =
        (@absences ||= Records::Absence.where(athlete_id: group.athletes.map(&:id)).group_by(&:athlete_id))
          .fetch(athlete_id, [])
          .any? { |absence| absence.to_core.covers?(date) }

      # @return [Hash{Integer => Records::Programme}] by athlete
      def programmes =
        @programmes ||= Records::Programme.open.where(athlete_id: group.athletes.map(&:id)).index_by(&:athlete_id)

      private

      def ground(athlete_id, date) = away?(athlete_id, date) ? :away : days[(date - from).to_i].wash

      def marks(own, date)
        of_day = own.select { |one| one.local_date == date }
        of_day.map { |one| ProgrammeMarks.of(one, today: @today, done: done.done?(one)) }
      end

      def missing = @missing ||= GroupLeftOut.new(self)

      def day(date)
        events = group.events.select { |event| event.local_date == date }
        WeekDay.of(date, @today, wash: wash(date), event: events.map(&:in_words))
      end

      def wash(date)
        calendar = programmes.values.first&.to_calendar or return
        return :event if calendar.events.any? { |event| event.date == date } || calendar.water?(date)
        return :easing if calendar.eased_toward(date)

        :easy if date.between?(calendar.from, calendar.to) && calendar.easy?(calendar.week_of(date))
      end

      def planned =
        @planned ||=
          Records::PlannedSession
            .where(athlete_id: group.athletes.map(&:id), local_date: from..(from + 6))
            .where(programme_id: programmes.values.map(&:id))
            .includes(:prescription)
            .in_order
            .group_by(&:athlete_id)

      def done = @done ||= Done.new(group.athletes.map(&:id), from..(from + 6))

      # The week of the programme in which most of these days lie.
      def load(athlete_id)
        found =
          programmes[athlete_id]&.loads&.find do |one|
            (Date.iso8601(one["from"])..Date.iso8601(one["from"]) + 6).cover?(from + 3)
          end
        found && Load.of(found)
      end
    end
  end
end
