# frozen_string_literal: true

module Windlass
  module Records
    # Weeks ahead of one athlete, as they were planned.
    class Programme < Record
      self.table_name = "programmes"
      reads :left_out, :loads
      belongs_to :athlete
      belongs_to :group, optional: true
      has_many :trainings
      has_many :planned_sessions, -> { in_order }

      scope :open, -> { where(ended_at: nil, waits: false) }
      # Chosen and not planned yet: until then what was planned before is in force.
      scope :waiting, -> { where(ended_at: nil, waits: true) }
      # Planned, and not over.
      # Each length by itself: databases add days to a date each in their own way.
      NOT_OVER = Windlass::Programme::WEEKS.map { "(weeks = ? AND starts_on >= ?)" }.join(" OR ").freeze
      scope :current,
        ->(on) do
          open.where("(#{NOT_OVER})", *Windlass::Programme::WEEKS.flat_map { |weeks| [weeks, on - 7 * weeks + 1] })
        end

      def ends_on = starts_on + 7 * weeks - 1

      # @return [Date] first day of each week
      def week_starts = Array.new(weeks) { |week| starts_on + 7 * week }

      # @return [Array<Windlass::Programme::Slot>] of the group and of the athlete
      def slots =
        [*group&.slots, *Slot.where(athlete_id: athlete_id).in_order].map(&:to_core)
          .sort_by { |slot| [slot.day, slot.at_min] }

      # @return [Array<Event>] of the group and of the athlete
      def events =
        @events ||=
          [*group&.events, *Event.where(athlete_id: athlete_id)].sort_by { |event| [event.local_date, event.id] }

      # @return [Windlass::Programme::Calendar] in the place's own time
      def to_calendar
        waters, events = self.events.partition(&:water?)
        Windlass::Programme::Calendar.new(
          from: starts_on,
          weeks: weeks,
          easy_every: easy_every,
          events: events.map(&:to_core),
          waters: waters.map(&:to_core),
          absences: Absence.where(athlete_id: athlete_id).map(&:to_core),
          clock: ->(date, minutes) { Time.local(date.year, date.month, date.day, *minutes.divmod(60)) }
        )
      end
    end
  end
end
