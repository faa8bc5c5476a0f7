# frozen_string_literal: true

module Windlass
  module Actions
    # Lays a recorded oximeter trace over a session and keeps the low of every hold.
    module ReadOximeterTrace
      # Readings that a trace has to have before its lag can be told.
      LEAST_SAMPLES = 10

      # @param samples [Array<Formats::OximeterCsv::Sample>]
      # @param progress [Imports::Progress]
      # @return [Hash] holds that have a low now
      # @raise [Error]
      def self.call(session, samples, progress: Imports::Progress::NONE)
        if samples.size < LEAST_SAMPLES
          raise Error, "The trace has #{samples.size} readings; needed: #{LEAST_SAMPLES} or more."
        end

        progress.begin("Laying it over the session", samples.size)
        recorded = samples.map { |sample| [sample.t, sample.saturation] }
        timeline = session.to_timeline
        # A trace may go on after the session was left: what is planned for then was not held.
        lows =
          Physiology::Alignment
            .lows(recorded, timeline, lag(session, timeline, recorded))
            .slice(*session.rounds.filter_map(&:hold))
        if lows.empty?
          raise Error,
            "The trace covers no hold of this session; its times run from #{recorded.first[0].round} s to " \
            "#{recorded.last[0].round} s."
        end

        progress.step(samples.size)
        progress.show do
          keep(session, lows)
          {"rows" => lows.size}
        end
      end

      # What follows from lows.
      def self.finish(session, now:)
        LearnFromLog.call(session.athlete, now: now)
        StoreVerdict.call(session)
      end

      # Holds with the same low are written at once.
      def self.keep(session, lows)
        changed = session.rounds.select { |round| lows.key?(round.hold) && lows[round.hold] != round.sao2_low }
        changed
          .group_by { |round| lows[round.hold] }
          .each do |low, rounds|
            Records::Round.where(id: rounds.map(&:id)).update_all(sao2_low: low)
          end
        session.rounds.reset
      end

      def self.lag(session, timeline, recorded)
        forecast = Forecasts.of(session.athlete, timeline, on: session.local_date)
        forecast ? Physiology::Alignment.lag_s(recorded, forecast.trace) : Physiology::Oximeter::DELAY_S
      end
      private_class_method :keep, :lag
    end
  end
end
