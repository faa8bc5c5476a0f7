# frozen_string_literal: true

module Windlass
  module Presenters
    # One athlete's programme: weeks down, days across.
    class ProgrammeSheet
      Week = Value.define(:number, :from, :days, :load, :left_out)
      attr_reader :athlete, :programme

      # @param athlete [Records::Athlete]
      # @param programme [Records::Programme, nil]
      # @param today [Date]
      def initialize(athlete, programme, today:)
        @athlete = athlete
        @programme = programme
        @today = today
      end

      def title = "Programme of #{athlete.name}"

      # @return [Boolean] there is a time of the week at which something could lie
      def times? = athlete.slots.any? || athlete.groups.any? { |group| group.slots.any? }

      # @param date [Date]
      # @return [Week] in which the day lies; the first where none does
      def week_on(date) = weeks.find { |one| (one.from..one.from + 6).cover?(date) } || weeks.first

      # @return [Array<Week>]
      def weeks
        programme.week_starts.each_with_index.map do |from, index|
          own = planned.select { |one| (from..from + 6).cover?(one.local_date) }
          Week.new(
            number: index + 1,
            from: from,
            load: loads[from],
            left_out: left_out(from),
            days:
              (from..from + 6).map do |date|
                [
                  day(date),
                  own
                    .select { |one| one.local_date == date }
                    .map { |one| ProgrammeMarks.of(one, today: @today, done: done.done?(one)) }
                ]
              end
          )
        end
      end

      # @return [Array<String>] what was decided, or happened, since it was planned
      def since_planned
        moves =
          Records::Move
            .kept
            .where(
              noted: false,
              prescription_id: programme.trainings.map(&:prescription_id),
              decided_at: programme.planned_at..
            )
            .where.not(decided: "repeat")
            .includes(:prescription)
        moves.map { |move| "#{move.prescription.name}: #{VerdictWords::WORDS.fetch(move.decided.to_sym).downcase}" } +
          Records::Suspension.where(athlete_id: athlete.id, opened_at: programme.planned_at..).map(&:reason)
      end

      # @return [String, nil] what was not done as planned
      def missed
        days = planned.select { |one| one.local_date < @today && !done.done?(one) }
        "#{Words.count(days.size, "planned session")} not done so far." if days.any?
      end

      def absences = Records::Absence.where(athlete_id: athlete.id, to_on: @today..).order(:from_on).to_a

      def events = programme.events.select { |event| event.local_date >= @today }

      def trainings =
        programme.trainings.includes(:prescription).map { |one| "#{one.prescription.name} #{one.times_a_week}×" }

      private

      def day(date)
        events = programme.events.select { |event| event.local_date == date }
        words = [*events.map(&:in_words), *("away" if calendar.away?(date))]
        WeekDay.of(date, @today, wash: wash(date, events), event: words)
      end

      def wash(date, events)
        return :away if calendar.away?(date)
        return :event if events.any?

        :easing if calendar.eased_toward(date)
      end

      def calendar = @calendar ||= programme.to_calendar

      # Of its own weeks: what it took over from the one before lies earlier.
      def planned =
        @planned ||= programme.planned_sessions.where(local_date: programme.starts_on..).includes(:prescription).to_a

      def done = @done ||= Done.new([athlete.id], programme.starts_on..programme.ends_on)

      def loads = @loads ||= programme.loads.to_h { |load| [Date.iso8601(load["from"]), Load.of(load)] }

      def left_out(from) =
        programme
          .left_out
          .select { |one| one["week"] == from.iso8601 }
          .map do |one|
            ["#{one["name"]}, #{one["missing"]} not placed", one["reasons"].map { |reason| reason["text"] }]
          end
    end
  end
end
