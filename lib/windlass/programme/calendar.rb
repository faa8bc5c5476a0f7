# frozen_string_literal: true

module Windlass
  module Programme
    # The weeks of a programme: which are easy, what is near, how often a training may come.
    class Calendar
      EASY_SHARE = 2 / 3r
      EASING_DAYS = 7
      EASING_SHARE = 1 / 2r

      attr_reader :from, :weeks, :events, :waters, :absences

      # @param from [Date] first day
      # @param weeks [Integer]
      # @param easy_every [Integer, nil] every how manieth week is easy; nil: none
      # @param clock [#call] date and minutes of the day to a Time of the place
      def initialize(
        from:,
        weeks:,
        events: [],
        waters: [],
        absences: [],
        easy_every: 4,
        clock: ->(date, minutes) { Time.utc(date.year, date.month, date.day) + minutes * 60 }
      )
        @from = from
        @weeks = weeks
        @events = events.sort_by(&:date)
        @waters = waters + events.select(&:water?).map { |event| Water.new(date: event.date, at_min: event.at_min) }
        @absences = absences
        @easy_every = easy_every
        @clock = clock
        @eased = near(EASING_DAYS, 1)
        @eves = near(1, 0)
        @days =
          (-Progression::Record::RAMP_WEEKS...weeks)
            .to_h { |week| [week, (from + 7 * week...from + 7 * (week + 1)).to_a.freeze] }
            .freeze
        freeze
      end

      # @return [Array<Date>]
      def days(week) = @days.fetch(week)

      # @return [Integer] of a day
      def week_of(date) = (date - from).to_i / 7

      def to = from + 7 * weeks - 1

      def easy?(week) = !@easy_every.nil? && (week + 1) % @easy_every == 0

      # @return [Boolean] the week before was easy
      def after_easy?(week) = week > 0 && easy?(week - 1)

      # @return [Integer] how often a training comes in that week at most
      def times(training, week) = easy?(week) ? (training.times * EASY_SHARE).ceil : training.times

      # @return [Integer] within the days before an event
      def eased_times(training) = (training.times * EASING_SHARE).ceil

      # @return [Time]
      def moment(date, minutes) = @clock.call(date, minutes)

      # @return [Array<Event>] what is eased toward on that day, the nearest first
      def easings(date) = @eased.fetch(date, [])

      def eased_toward(date) = easings(date).first

      # @return [Array<Event>] today and tomorrow
      def eves(date) = @eves.fetch(date, [])

      def eve(date) = eves(date).first

      # The moment from which hours before an event are counted: its hour, or the beginning of its day.
      def begins(event) = moment(event.date, event.at_min || 0)

      # From this on hours after it are counted: its hour, or the end of its day.
      def ends(event) = event.at_min ? moment(event.date, event.at_min) : moment(event.date + 1, 0)

      def water?(date) = waters.any? { |water| water.date == date }

      def away?(date) = absences.any? { |absence| absence.covers?(date) }

      private

      # @return [Hash{Date => Array<Event>}] events that are from so many to so many days ahead
      def near(most, least)
        @events
          .reject(&:test?)
          .each_with_object({}) do |event, days|
            (least..most).each { |back| (days[event.date - back] ||= []) << event }
          end
      end
    end
  end
end
