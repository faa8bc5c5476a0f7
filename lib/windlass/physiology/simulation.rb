# frozen_string_literal: true

module Windlass
  module Physiology
    # Runs a compiled timeline through the model: segments in, a frozen {Forecast} out.
    class Simulation
      # @param rested [Subject] a settled subject; it is copied, so one serves many runs
      # @param calibration [Calibration]
      # @param floor [Float] planning floor of saturation, 0.85-0.92
      # @param look_ahead [Boolean] beyond the planned end of each hold, for its urge and its floor
      def initialize(rested, calibration:, floor: PLANNING_FLOOR, look_ahead: true)
        @rested = rested
        @calibration = calibration
        @floor = floor
        @look_ahead = look_ahead
      end

      # @param segments [Enumerable<Timeline::Segment>]
      # @param trace [Boolean] keep every step
      # @param before [Enumerable<Timeline::Segment>] what came before: time begins after it
      # @return [Forecast]
      def run(segments, trace: false, before: [])
        subject = @rested.dup
        worked_up(subject, before)
        recorder = Recorder.new(subject) if trace
        holds = segments.filter_map { |segment| play(subject, segment) }
        Forecast.new(
          threshold: @calibration.threshold,
          floor: @floor,
          holds: holds.freeze,
          trace: recorder&.trace,
          end_state: EndState.new(po2: subject.po2, pco2: subject.pco2, sao2: subject.saturation)
        )
      end

      # Plays a session and shows the subject after each segment.
      # @yieldparam subject [Subject]
      # @yieldparam segment [Timeline::Segment] that is over
      def each_moment(segments, before: [])
        subject = @rested.dup
        worked_up(subject, before)
        segments.each do |segment|
          play(subject, segment)
          yield subject, segment
        end
      end

      # What would come of it from here, on a twin.
      # @return [HoldForecast, nil] of the last segment, where it is a hold
      def what_if(subject, segments)
        twin = subject.dup
        segments.map { |segment| play(twin, segment) }.last
      end

      private

      def worked_up(subject, before)
        return if before.none?

        before.each { |segment| play(subject, segment) }
        subject.rewind
      end

      def play(subject, segment)
        seconds = segment.ms / 1000.0
        case segment.kind
        when :hold
          hold(subject, seconds, segment.mets)
        when :breathe
          subject.breathe(seconds, segment.rate, segment.mets) && nil
        else
          subject.move(seconds, subject.body.level_l(segment.level), segment.mets) && nil
        end
      end

      def hold(subject, seconds, mets)
        before = start_of(subject, seconds)
        threshold = @calibration.threshold_for(subject.volume, subject.body)
        watch = HoldWatch.new(subject, threshold: threshold, floor: @floor)
        hold_watched(subject, watch, seconds, mets)
        ended = {
          pco2_end: subject.pco2,
          po2_end: subject.po2,
          sao2_min: watch.lowest_saturation,
          beyond_s: watch.beyond_s
        }
        look_ahead(subject, watch, LOOK_AHEAD_S - seconds, mets) unless watch.complete? || !@look_ahead
        forecast(before.merge(ended), watch)
      end

      def hold_watched(subject, watch, left, mets)
        while left > Subject::INSTANT_S
          left -= subject.hold_step(left, mets)
          watch.see(subject)
        end
      end

      def start_of(subject, seconds)
        {
          start_s: subject.elapsed_s,
          seconds: seconds,
          pco2_start: subject.pco2,
          po2_start: subject.po2,
          co2_washout: @rested.exchange.fast_pco2 - subject.exchange.fast_pco2
        }
      end

      # Beyond the planned end, on a twin: the session itself goes on from where the hold ended.
      def look_ahead(subject, watch, left, mets)
        twin = subject.dup
        twin.recorder = nil
        until watch.complete? || left <= 0 || twin.po2 < LOOK_AHEAD_END_MMHG
          left -= twin.hold_step(left, mets)
          watch.see(twin)
        end
      end

      def forecast(known, watch)
        margin_s = Margin.seconds(watch.urge_s, watch.floor_s)
        HoldForecast.new(
          **known,
          urge_s: watch.urge_s,
          floor_s: watch.floor_s,
          margin_s: margin_s,
          margin: Margin.classify(margin_s, trusted: @calibration.trusted)
        )
      end
    end
  end
end
