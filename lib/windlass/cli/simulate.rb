# frozen_string_literal: true

module Windlass
  module Cli
    # `simulate [FILE] [--trace SECONDS]`: a body and segments in, the forecast of every hold out.
    module Simulate
      NAME = "simulate"
      USAGE = "simulate [FILE] [--trace SECONDS]"

      # @param text [String] JSON
      # @param options [Hash] trace: seconds as typed
      # @return [Hash] plain JSON values
      # @raise [InvalidInput, Usage]
      def self.call(text, options)
        interval_s = interval(options["trace"])
        request = Formats::Simulation::Reader.read(text)
        model =
          Physiology::Model.new(
            request.body,
            control_pause_s: request.control_pause_s,
            full_threshold: request.full_threshold,
            floor: request.floor
          )
        Formats::Simulation::Writer.write(
          model.forecast(request.segments, trace: !interval_s.nil?),
          trace_every: interval_s
        )
      end

      OPTIONS = %w[trace].freeze
      READS = true
      INTERVAL_S = (0.1..3600.0)

      def self.interval(typed)
        return if typed.nil?

        seconds = Float(typed, exception: false)
        return seconds if seconds && INTERVAL_S.cover?(seconds)

        raise Usage,
          "--trace: #{Error.shown(typed)} is not allowed; allowed: #{INTERVAL_S.begin} to #{INTERVAL_S.end} seconds"
      end
      private_class_method :interval
    end
  end
end
