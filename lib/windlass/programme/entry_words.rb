# frozen_string_literal: true

module Windlass
  module Programme
    # What a session says for itself, and what one that has no place says.
    module EntryWords
      NO_SLOT = Reason.new(rule: "slot.none", text: "There is no slot left for it.")
      MOST = 6

      # @return [Array<Reason>] each rule once, in the order of the rules
      def self.uniq(reasons) = reasons.uniq(&:rule).first(MOST)

      # @param one [Planned]
      # @param planner [Planner]
      # @return [Hash] of an {Entry}
      def self.of(one, planner)
        {
          training: one.training,
          date: one.date,
          at: one.berth.slot.at,
          begins: one.begins.strftime("%H:%M"),
          minutes: one.berth.slot.minutes,
          place: one.berth.slot.place,
          rung: one.course.rung,
          dose: one.course.dose,
          expected: one.course.expected,
          light: one.ready.light?,
          seconds: one.course.seconds,
          hold_seconds: one.course.hold_seconds,
          fixed: one.fixed,
          proposed: one.training.test? && !one.fixed,
          apart: one.apart?,
          reasons: reasons(one, planner).freeze
        }
      end

      def self.reasons(one, planner)
        [
          count(one, planner),
          spacing(one, planner),
          eased(one, planner),
          *one.ready.reasons.map do |reason|
            Reason.new(rule: reason.rule, text: [reason.text, reason.lifts].compact.join(" "))
          end
        ].compact
      end

      def self.count(one, planner)
        if one.training.test?
          return (
            Reason.new(
              rule: "test.due",
              text: one.fixed ? "The test lies on its day." : "A maximal hold is due: the doses are computed from it."
            )
          )
        end

        week = planner.calendar.week_of(one.date)
        own = planner.placed_in(one.training, week)
        Reason.new(
          rule: "asked",
          text:
            "#{planner.done(one.training, week) + own.index(one) + 1} of " \
            "#{Words.count(planner.calendar.times(one.training, week), "time", "times")} this " \
            "week#{", where you put it" if one.fixed}."
        )
      end

      def self.spacing(one, planner)
        before = planner.placed.reverse.find { |other| other.key == one.key && other.date < one.date } or return
        Reason.new(rule: "even", text: "#{Words.count((one.date - before.date).to_i, "day")} after the one before.")
      end

      def self.eased(one, planner)
        event = planner.calendar.eased_toward(one.date) || planner.calendar.eve(one.date)
        return Reason.new(rule: "event.times", text: "Eased toward #{event.in_words}.") if event
        if planner.calendar.easy?(planner.calendar.week_of(one.date))
          return Reason.new(rule: "easy.times", text: "An easy week.")
        end

        if one.course.expected && one.course.rung.to_i > one.training.standing.rung
          Reason.new(rule: "step", text: "A step is expected by then: what comes of it the verdicts say.")
        end
      end
      private_class_method :reasons, :count, :spacing, :eased
    end
  end
end
