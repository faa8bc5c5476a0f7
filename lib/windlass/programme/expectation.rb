# frozen_string_literal: true

module Windlass
  module Programme
    # What rungs are to be expected of a training: a step after as many sessions as the ladder asks clean ones, none in
    # an easy week or before an event, never past the top.
    class Expectation
      # On the day of a concert voice is sung so many rungs lower.
      CONCERT_RUNGS = 2
      # What doses take is the same for everybody, and for ever.
      LENGTHS = BoundedCache.new(4_000)
      private_constant :LENGTHS

      # @param training [Training] with a standing, or a test
      def initialize(training)
        @training = training
        @step = 0
        # The verdict that would step comes after a session of the plan, not before it.
        @done = [training.clean, clean - 1].min
      end

      # @return [Boolean] nothing harder is left, and it was done as often as a step would ask
      def topped? = ladder? && @step == steps.size - 1 && steps.size > 1 && @done >= @training.protocol.clean_sessions

      # What a session on that day would be, after others of the same week; nothing moves yet.
      # @param courses [Array<Course>] of the week so far
      # @param still [Boolean] without a step
      # @return [Course]
      def following(courses, date, calendar, week, still: false)
        step, done =
          courses.reduce([@step, @done]) { |(at, times), course| course.stepped ? [at + 1, 1] : [at, times + 1] }
        stepped = !still && done >= clean && step < steps.size - 1 && steps?(date, calendar, week)
        course(step + (stepped ? 1 : 0), date, calendar, stepped)
      end

      # What a session of a rung is, whenever it comes.
      # @return [Course]
      def at(rung)
        known = steps.find { |number, _| number == rung } || [rung, @training.standing.ladder&.rungs&.at(rung)]
        known.last ? measured(*known) : measured(*steps.first)
      end

      # These were placed.
      def placed(courses)
        courses.each do |course|
          next go_on_from(course) if course.lowered

          @done = course.stepped ? 1 : @done + 1
          @step += 1 if course.stepped
        end
      end

      # What a session of that dose is.
      # @return [Course]
      def self.course(protocol, rung, dose, washout:)
        set_seconds, held, sets =
          LENGTHS.fetch([protocol.id, dose]) do
            protocol
              .compile(dose)
              .then do |compiled|
                [*[compiled.total_ms, compiled.hold_ms].map { |ms| Numbers.plain(ms/1000r) }, protocol.sets(dose)]
              end
          end
        Course.new(
          rung: rung,
          dose: dose,
          seconds: set_seconds * sets,
          set_seconds: set_seconds,
          hold_seconds: held * sets,
          washout: washout,
          expected: false,
          stepped: false
        )
      end

      private

      # Steps are counted anew from a rung that readiness led back to.
      def go_on_from(course)
        @done = (steps[@step].last == course.dose) ? @done + 1 : 1
        @steps = [[course.rung, course.dose], *above(course.rung + 1)] unless steps[@step].last == course.dose
        @courses = nil
        @step = 0
      end

      def above(rung) =
        if ladder?
          (rung..@training.standing.ladder.top).map { |number| [number, @training.standing.ladder.rungs[number]] }
        else
          []
        end

      def ladder? = !@training.standing&.ladder.nil?

      def clean = @training.test? ? 1 : @training.protocol.clean_sessions

      # What walls are asked about: the strongest that is forecast, now and, where a step can wash out more, at the top.
      def washout
        @washout ||=
          begin
            outlook = @training.standing.ladder&.bounds&.fetch(:outlook)
            doses = [steps.first, (steps.last if stronger_above?)].compact.map(&:last)
            outlook ? doses.map { |dose| outlook.strongest_washout(@training.protocol.bound(dose), dose) }.max : 0
          end
      end

      def stronger_above? =
        @training.protocol.paced || @training.protocol.is_a?(Protocols::Blocks) ||
          !@training.protocol.washout_limit(nil).nil?

      def steps?(date, calendar, week) =
        !calendar.easy?(week) && calendar.eased_toward(date).nil? && calendar.eve(date).nil?

      # The dose they have, and the rungs above it.
      def steps
        @steps ||=
          begin
            standing = @training.standing
            [[standing&.rung, standing&.dose], *(above(standing.rung + (standing.reduced ? 0 : 1)) if ladder?)]
          end
      end

      def course(step, date, calendar, stepped)
        rung, dose = sung(*steps[step], date, calendar)
        (@courses ||= {})[[rung, step, stepped]] ||= measured(rung, dose).with(
          expected: rung.to_i > @training.standing&.rung.to_i,
          stepped: stepped
        )
      end

      # On the day of a concert voice is lower.
      def sung(rung, dose, date, calendar)
        concert =
          ladder? && @training.activity.column == :voice &&
          calendar.events.any? { |event| event.kind == :concert && event.date == date }
        return rung, dose unless concert

        lower = [rung - CONCERT_RUNGS, 0].max
        [lower, @training.standing.ladder.rungs[lower]]
      end

      def measured(rung, dose)
        if @training.test?
          return (
            Course.new(
              rung: nil, dose: nil, seconds: TEST_S, set_seconds: TEST_S, hold_seconds: 0, washout: nil,
              expected: false, stepped: false
            )
          )
        end

        (@measured ||= {})[[rung, dose]] ||= Expectation.course(
          @training.protocol.bound(dose),
          rung,
          dose,
          washout: washout
        )
      end
    end
  end
end
