# frozen_string_literal: true

module Windlass
  module Programme
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
