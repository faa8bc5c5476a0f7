# frozen_string_literal: true

module Windlass
  module Presenters
    # A group's week: days across, athletes down, each session a mark.
    class GroupWeek
      # days: wash and marks of each.
      Row = Value.define(:name, :athlete_id, :days, :load)
      # wash: what lies behind the day.
      Day = Value.define(:date, :words, :today, :wash, :event)
      # A slot on a day with those who train in it.
      Together = Value.define(:slot_id, :date, :at, :minutes, :place, :names, :fits)

      attr_reader :group, :from

      # @param group [Records::Group]
      # @param on [Date] any day of the week
      # @param today [Date]
      def initialize(group, on:, today:)
        @group = group
        @today = today
        @from = on - (on.cwday - 1)
      end

      def title = "#{group.name}, week of #{Dates.short(from)}"

      def dates = (from..from + 6).to_a

      def previous = from - 7

      def following = from + 7

      # @return [Array<Day>]
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
              days:
                dates.map do |date|
                  [
                    away?(athlete.id, date) ? :away : days[(date - from).to_i].wash,
                    own
                      .select { |one| one.local_date == date }
                      .map { |one| ProgrammeMarks.of(one, today: @today, done: done.done?(one)) }
                  ]
                end
            )
          end
      end

      def empty? = planned.empty?

      # @return [Array<Together>] the group's own slots of the week in which more than one trains
      def together
        dates.flat_map do |date|
          group
            .slots
            .select { |slot| slot.day == date.cwday }
            .filter_map do |slot|
              names =
                group
                  .athletes
                  .select do |athlete|
                    planned.fetch(athlete.id, []).any? { |one| one.local_date == date && one.at_min == slot.at_min }
                  end
                  .map(&:name)
              if names.size > 1
                Together.new(
                  slot_id: slot.id,
                  date: date,
                  at: slot.to_core.at,
                  minutes: slot.minutes,
                  place: place(slot),
                  names: names,
                  fits: nil
                )
              end
            end
        end
      end

      # @return [Array<Records::Event>] from today on
      def events = group.events.select { |event| event.local_date >= @today }

      # @return [Integer] members who have no programme
      # @return [String, nil] planning that was begun and not finished
      def planning_waits
        waiting =
          Records::Programme.waiting.where(group_id: group.id).includes(:athlete).map { |one| one.athlete.name }.sort
        if waiting.any?
          "Planning waits for #{Words.list(waiting)}. Until it goes on, what was planned before stays in force."
        end
      end

      def without_programme = group.athletes.size - programmes.size

      private

      def day(date)
        events = group.events.select { |event| event.local_date == date }
        Day.new(
          date: date,
          words: date.strftime("%a %-d %b"),
          today: date == @today,
          wash: wash(date),
          event: events.map(&:in_words).join("; ")
        )
      end

      def wash(date)
        calendar = programmes.values.first&.to_calendar or return
        return :event if calendar.events.any? { |event| event.date == date } || calendar.water?(date)
        return :easing if calendar.eased_toward(date)

        :easy if date.between?(calendar.from, calendar.to) && calendar.easy?(calendar.week_of(date))
      end

      def away?(athlete_id, date) =
        (@absences ||= Records::Absence.where(athlete_id: group.athletes.map(&:id)).group_by(&:athlete_id))
          .fetch(athlete_id, [])
          .any? { |absence| absence.to_core.covers?(date) }

      def place(slot) = Protocols::PLACES[slot.place.to_s.to_sym]

      def programmes =
        @programmes ||= Records::Programme.open.where(athlete_id: group.athletes.map(&:id)).index_by(&:athlete_id)

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
