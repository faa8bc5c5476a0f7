# frozen_string_literal: true

module Windlass
  module Actions
    # Lays a recorded oximeter trace over a session and keeps the low of every hold.
    module ReadOximeterTrace
      # Readings that a trace has to have before its lag can be told.
      LEAST_SAMPLES = 10

      # @param samples [Array<Formats::OximeterCsv::Sample>]
      # @return [Numeric] seconds by which the trace was late
      # @raise [Error]
      def self.call(session, samples, now:)
        raise Error, "The trace has #{samples.size} readings; needed: #{LEAST_SAMPLES} or more." if samples.size < LEAST_SAMPLES

        recorded = samples.map { |sample| [sample.t, sample.saturation] }
        timeline = session.to_timeline
        lag = lag(session, timeline, recorded)
        lows = Physiology::Alignment.lows(recorded, timeline, lag)
        raise Error, "The trace covers no hold of this session; its times run from #{recorded.first[0].round} s to #{recorded.last[0].round} s." if lows.empty?

        session.transaction do
          session.rounds.each { |round| round.update_columns(sao2_low: lows[round.hold]) if lows.key?(round.hold) && lows[round.hold] != round.sao2_low }
        end
        LearnFromLog.call(session.athlete, now: now)
        Propose.call(session)
        lag
      end

      def self.lag(session, timeline, recorded)
        forecast = Forecasts.of(session.athlete, timeline, on: session.local_date)
        forecast ? Physiology::Alignment.lag_s(recorded, forecast.trace) : Physiology::Oximeter::DELAY_S
      end
      private_class_method :lag
    end
  end
end
