# frozen_string_literal: true

module Windlass
  module Presenters
    # A group's week: days across, athletes down, each session a mark.
    class GroupWeek
      # days: wash and marks of each. left_out: what found no place in this week. why_empty: why nothing stands there.
      Row = Value.define(:name, :athlete_id, :days, :load, :left_out, :why_empty)
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
              left_out: left_out(athlete.id),
              why_empty: (why_empty(athlete) if own.empty?),
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

      # @return [String, nil] `Not placed: Ada (small holds, 2 not placed); …`, the whole group at a glance
      def left_out_words
        some = rows.select { |row| row.left_out.any? }
        return if some.empty?

        "Not placed this week: #{some.map { |row| "#{row.name} (#{Words.list(row.left_out)})" }.join("; ")}."
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

      # @return [Array<String>] `small holds 2 times`
      def left_out(athlete_id) =
        (programmes[athlete_id]&.left_out || [])
          .select { |one| one["week"] == from.iso8601 }
          .map { |one| "#{one["name"].downcase} #{Words.times(one["missing"])}" }

      # @return [String] why a row is empty
      def why_empty(athlete)
        programme = programmes[athlete.id]
        return prescribed.include?(athlete.id) ? "no programme" : "nothing prescribed" if programme.nil?
        return "away" if dates.all? { |date| away?(athlete.id, date) }
        return "from #{Dates.short(programme.starts_on)} on" if programme.starts_on > from + 6
        return "until #{Dates.short(programme.ends_on)}" if programme.ends_on < from

        left_out(athlete.id).any? ? "nothing found a place" : "nothing planned"
      end

      def prescribed =
        @prescribed ||=
          Records::Prescription.open.where(athlete_id: group.athletes.map(&:id)).distinct.pluck(:athlete_id)

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
