# frozen_string_literal: true

module Windlass
  module Physiology
    # The longest that an empty hold after over-breathing may last: a limit, never a target. Computed for the harder
    # case, whatever the athlete's own: lying, breathed out to residual, and without credit for thrift.
    module Cap
      SHARE = 0.9
      LONGEST_S = 90.0

      # @param body [Body]
      # @param before [Array<Timeline::Segment>] what comes before the hold, the breath out included
      # @param exhales_passively [Boolean] the coach has confirmed that this athlete does not empty further
      # @return [Float] seconds
      def self.seconds(body, before, exhales_passively: false)
        KEPT.fetch([body, before, exhales_passively]) do
          of(simulation(body).run([*emptied(before, exhales_passively), instant]).holds.last)
        end
      end

      # Ladders, sheets and the deck ask for the same ones.
      KEPT = BoundedCache.new(300)
      private_constant :KEPT

      # Caps of a retention that begins sooner than planned, after one breath of a round, after two, and so on; the
      # lowest of all rounds.
      # @param compiled [Timeline::Compiled] whose breaths before a retention are numbered
      # @param full [Boolean] it is held on one full breath
      # @return [Array<Integer>] whole seconds
      def self.by_breath(body, compiled, full: false)
        found = Hash.new { |caps, number| caps[number] = [] }
        simulation = simulation(body)
        closing =
          if full
            compiled.segments.find { |one| one.kind == :inhale && one.breath.nil? }
          else
            compiled.segments.reverse.find { |one| one.kind == :exhale && one.breath }
          end
        closing = closing&.with(to: full ? :full : :residual, depth: nil)
        simulation.each_moment(compiled.segments, before: compiled.before) do |subject, segment|
          next unless segment.breath && segment.kind == (full ? :exhale : :inhale)

          found[segment.breath] << of(simulation.what_if(subject, [closing, instant]))
        end
        found.sort.map { |_, caps| caps.min.floor }
      end

      # As short as may be: its floor is looked for beyond its end.
      def self.instant = Timeline::Segment.new(kind: :hold, ms: 1)

      def self.simulation(body)
        rested = Subject.rested(body.with(posture: :lying, thrift: [body.thrift, 1.0].max))
        Simulation.new(rested, calibration: Calibration.from(rested, control_pause_s: nil))
      end

      # @param hold [HoldForecast]
      def self.of(hold) = [SHARE * (hold.floor_s || LONGEST_S), LONGEST_S].min

      def self.emptied(before, exhales_passively)
        *earlier, last = before
        return before unless last&.kind == :exhale

        [*earlier, last.with(to: exhales_passively ? :passive : :residual, depth: nil)]
      end
      private_class_method :instant, :simulation, :of, :emptied
    end
  end
end
