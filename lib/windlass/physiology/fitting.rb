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
      # The first look, and the second on either side of it.
      LESS, MIDDLE, MORE = 0.75, 0.9, 1.05
      # So far from the blood a device may stand. Saturation; ISO 80601-2-61 allows four points, from memory.
      DEVICE = 0.04

      # Nothing is remembered.
      ANEW = ->(_key, &fit) { fit.call }

      # Oxygen use while holding, as a share of that at rest.
      # @param body [Body] its own thrift, which is what is looked for, changes nothing
      # @param logged [Array<Logged>]
      # @param remember [#call] keeps what a session taught: called with a key, and a block that works it out
      # @return [Float] in {THRIFT}; 1 without data
      def self.thrift(body, logged, remember: ANEW)
        plain = body.with(thrift: 1.0)
        fits =
          logged
            .select { |session| session.lows.any? }
            .filter_map do |session|
              remember.call([:thrift, plain, session.to_key]) { thrift_of_session(plain, session) }
            end
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

      # More thrift (a smaller share) keeps the low higher, very nearly on a straight line: three looks, each a run of
      # the session, find where the misfit is none.
      # @return [Float, nil] nil where no low belongs to a hold that was run
      def self.thrift_of_session(body, session)
        look = ->(share) { [share, misfit(body.with(thrift: share), session)] }
        looks = [look.call(MIDDLE)]
        return if looks.first.last.nil?

        looks << look.call((looks.first.last > 0) ? MORE : LESS)
        looks << look.call(meeting(*looks))
        believed(meeting(*looks.min_by(2) { |_, misfit| misfit.abs }), swing(*looks.first(2)))
      end

      # The shorter the holds, the less their lows tell of the body and the more of how the device is made: they warn as
      # all do, and reassure by as much as the body shows beside the device.
      # @param swing [Float] as {.swing}
      # @return [Float]
      def self.believed(fit, swing) = (fit < 1) ? 1 - (1 - fit) * (swing / DEVICE).clamp(0.0, 1.0) : fit

      # @return [Float] saturation: so far apart are the lows of the least thrift and of the most
      def self.swing(one, other)
        (x, y), (other_x, other_y) = one, other
        ((y - other_y) / (x - other_x)).abs * (THRIFT.max - THRIFT.min)
      end

      # @return [Float] in {THRIFT}: where the line through both looks meets zero
      def self.meeting(one, other)
        (x, y), (other_x, other_y) = one, other
        return x if y == other_y

        (x - y * (other_x - x) / (other_y - y)).clamp(THRIFT)
      end

      # How much higher the model's finger lows stand than the logged ones, on average. A device shows whole points;
      # they are compared with what was not rounded, otherwise a range of thrifts would fit alike.
      # @return [Float, nil] saturation; nil where there is nothing to compare
      def self.misfit(body, session)
        finger = Oximeter.finger(trace(body, session.timeline), 1)
        modelled = Alignment.lows(finger, session.timeline, Oximeter::DELAY_S)
        differences = session.lows.filter_map { |number, low| modelled[number] && modelled[number] - low }
        differences.sum / differences.size if differences.any?
      end

      def self.trace(body, timeline)
        rested = Subject.rested(body)
        after = Timeline::Segment.new(kind: :breathe, ms: 40_000, rate: RESTING_RATE)
        Simulation
          .new(rested, calibration: Calibration.from(rested, control_pause_s: nil), look_ahead: false)
          .run([*timeline.segments, after], trace: true, before: timeline.before)
          .trace
      end
      private_class_method :stimuli, :stimulus_at_urge, :thrift_of_session, :believed, :swing, :meeting, :misfit,
        :trace
    end
  end
end
