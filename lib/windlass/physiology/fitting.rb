# frozen_string_literal: true

module Windlass
  module Physiology
    # What the log of an athlete teaches the model.
    module Fitting
      # A session with what was logged in it.
      # lows: saturation by number of the hold; urges: seconds from the hold's start, by number.
      Logged =
        Value.define(:timeline, :lows, :urges) do
          # @return [Array] equal where all that is logged is
          def to_key = [timeline.segments, timeline.before, lows, urges]
        end

      THRIFT = (0.6..1.2)
      # So many sessions' worth of belief that the athlete is like anybody: few data move thrift little.
      PRIOR_SESSIONS = 3
      # So fine is what is looked for.
      STEPS = 128

      # Nothing is remembered.
      ANEW = ->(_key, &fit) { fit.call }

      # Oxygen use while holding, as a share of that at rest.
      # @param body [Body]
      # @param logged [Array<Logged>]
      # @param remember [#call] keeps what a session taught: called with a key, and a block that works it out
      # @return [Float] in {THRIFT}; 1 without data
      def self.thrift(body, logged, remember: ANEW)
        fits =
          logged
            .select { |session| session.lows.any? }
            .map { |session| remember.call([:thrift, body, session.to_key]) { thrift_of_session(body, session) } }
        ((fits.sum + PRIOR_SESSIONS) / (fits.size + PRIOR_SESSIONS)).clamp(THRIFT)
      end

      # The urge stimulus at which the urge comes on full lungs: the median of what it was at the marked first urges of
      # holds that started above the big level.
      # @return [Float, nil] mmHg; nil without such marks
      def self.full_threshold(body, logged, remember: ANEW)
        Trends.median(
          logged
            .select { |session| session.urges.any? }
            .flat_map { |session| remember.call([:urges, body, session.to_key]) { stimuli(body, session) } }
        )
      end

      def self.stimuli(body, session)
        trace = trace(body, session.timeline)
        session.timeline.holds.filter_map { |place| stimulus_at_urge(body, trace, place, session.urges[place.number]) }
      end

      def self.stimulus_at_urge(body, trace, place, urge_s)
        start_s = place.start_ms / 1000.0
        return if urge_s.nil? || trace.at(start_s).volume <= body.level_l(:big)

        point = trace.at(start_s + urge_s)
        Subject.urge_stimulus(point.po2, point.pco2)
      end

      # More thrift (a smaller share) keeps the low higher: somewhere the misfit turns. Each look runs the session once,
      # so where to look next is reckoned from what was found; halving would need seven looks.
      def self.thrift_of_session(body, session)
        least, most = THRIFT.minmax
        share = ->(step) { least + (most - least) * step / STEPS }
        share.call(0.5 + turn { |step| misfit(body.with(thrift: share.call(step)), session) })
      end

      # @yieldparam step [Integer] between 0 and {STEPS}
      # @yieldreturn [Numeric] the larger the step, the smaller
      # @return [Integer] the last step at which it is above zero; 0 where there is none
      def self.turn
        above, below = [0, nil], [STEPS, nil]
        while below.first - above.first > 1
          step = between(above, below)
          value = yield step
          (value > 0) ? above = [step, value] : below = [step, value]
        end
        above.first
      end

      # @return [Integer] where a straight line through both would be zero; the middle while one of them is not known
      def self.between(above, below)
        (low, high), (over, under) = above.zip(below)
        share = (over && under) ? over / (over - under).to_f : 0.5
        (low + (high - low) * share).round.clamp(low + 1, high - 1)
      end

      # How much higher the model's finger lows stand than the logged ones, all in all: its sign is what is asked for.
      def self.misfit(body, session)
        readings = Oximeter.readings(trace(body, session.timeline), 1)
        modelled = Alignment.lows(readings, session.timeline, Oximeter::DELAY_S)
        differences = session.lows.filter_map { |number, low| modelled[number] && modelled[number] - low }
        differences.sum
      end

      def self.trace(body, timeline)
        rested = Subject.rested(body)
        after = Timeline::Segment.new(kind: :breathe, ms: 40_000, rate: RESTING_RATE)
        Simulation
          .new(rested, calibration: Calibration.from(rested, control_pause_s: nil))
          .run([*timeline.segments, after], trace: true, before: timeline.before)
          .trace
      end
      private_class_method :stimuli, :stimulus_at_urge, :thrift_of_session, :turn, :between, :misfit, :trace
    end
  end
end
