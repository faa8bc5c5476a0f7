# frozen_string_literal: true

module Windlass
  module Programme
    # A slot on a day. begins: its moment. jd: the day as a number; spot: the slot on that day as one.
    Berth =
      Value.define(:date, :slot, :begins, :jd, :spot) do
        def initialize(date:, slot:, begins:, jd: date.jd, spot: date.jd * 1440 + slot.at_min)
          super
        end
      end

    # What a training is on one day: the dose of the rung that is expected then. set_seconds: of one of its sets.
    # stepped: a rung more than the session before it. lowered: who comes back is put lower, and goes on from there.
    Course =
      Value.define(:rung, :dose, :seconds, :set_seconds, :hold_seconds, :washout, :expected, :stepped, lowered: false)

    # The order in which several are done in one slot: a measure, what is quiet and small, voice and drills, then what
    # is heavy.
    module SlotOrder
      GROUPS = [
        ->(one, _) { one == Progression::MAXIMAL_TEST },
        ->(one, columns) { (columns - %i[small breath]).empty? && !one.strenuous? },
        ->(one, columns) { (columns - %i[small breath voice]).empty? && !one.strenuous? },
        ->(one, _) { !one.strenuous? && !one.once_a_day? }
      ].freeze

      # @param activity [Protocols::Protocol, Progression::Activity]
      # @param dose [Hash, nil] what a session of blocks is hangs on it
      # @return [Array<Integer>] to sort by; what is in none of the groups is heavy, and comes last
      def self.of(activity, dose) =
        [GROUPS.index { |group| group.call(activity, columns(activity, dose)) } || GROUPS.size]

      # @return [Array<Symbol>] of the screening table
      def self.columns(activity, dose) = dose ? activity.columns(dose) : [activity.column].compact
    end

    # A session in its place. begins: after those before it in the same slot. ready: what readiness says of it.
    Planned =
      Value.define(:training, :berth, :course, :begins, :in_slot_s, :fixed, :ready) do
        # @param in_slot_s [Numeric] seconds of the slot that it takes: all of it; where the slot is too short for that,
        #   one of its sets, and the others go through the day
        def initialize(
          training:,
          berth:,
          course:,
          begins: berth.begins,
          in_slot_s: (course.seconds <= berth.slot.minutes * 60) ? course.seconds : course.set_seconds,
          fixed: false,
          ready: nil
        )
          super
        end

        def date = berth.date

        def jd = berth.jd

        def key = training.key

        def ends = begins + course.seconds

        # @return [Boolean] one set in the slot, the others through the day
        def apart? = in_slot_s < course.seconds

        def place_in_slot = SlotOrder.of(training.activity, course.dose) + [training.key.to_s]

        def columns = SlotOrder.columns(training.activity, course.dose)

        # Walls before water, and what lies in one slot with it, go by all that washes carbon dioxide out.
        def over_breathing? = training.activity.over_breathing? || course.washout.to_f >= Physiology::OVER_BREATHED_MMHG

        # As those see it that come after it.
        def to_past =
          Progression::Outline.new(
            id: "#{key} #{date}",
            date: date,
            protocol: training.protocol.id,
            dose: course.dose,
            ended_at: ends,
            washout: course.washout,
            calm: true
          )
      end
  end
end
