# frozen_string_literal: true

module Windlass
  module Formats
    module Simulation
      # What `bin/windlass simulate` is asked. Published schema: docs/formats/simulate.schema.json.
      Request = Value.define(:body, :control_pause_s, :full_threshold, :floor, :segments)

      # JSON text in, a {Request} out.
      module Reader
        SCHEMA = "simulate.schema.json"
        # A session is over within the day; more is a slip of the pen.
        LONGEST_S = 6 * 3600

        # @param text [String]
        # @return [Request]
        # @raise [InvalidInput]
        def self.read(text)
          data = JsonInput.of(SCHEMA).read(text)
          athlete = data.fetch("athlete")
          Request.new(
            body: Parts.body(athlete),
            control_pause_s: athlete["control_pause_s"],
            full_threshold: athlete["full_threshold"],
            segments: segments(data.fetch("segments")),
            floor: data.fetch("floor_sao2", Physiology::PLANNING_FLOOR)
          )
        end

        def self.segments(listed)
          total = listed.sum { |segment| segment["seconds"] }
          if total > LONGEST_S
            raise InvalidInput, ["segments: #{total} s in all is not allowed; allowed: up to #{LONGEST_S}"]
          end

          listed.map { |segment| Timeline::Segment.from_h_plain(segment) }
        end
        private_class_method :segments
      end

      # A {Physiology::Forecast} in, plain JSON values out. Nothing is rounded.
      module Writer
        # @param trace_every [Numeric, nil] seconds
        # @return [Hash]
        def self.write(forecast, trace_every: nil)
          output = {
            threshold: forecast.threshold,
            holds: forecast.holds.map(&:to_h_plain),
            end: forecast.end_state.to_h
          }
          trace_every ? output.merge(trace: trace(forecast.trace, trace_every)) : output
        end

        def self.trace(trace, interval_s)
          fingers = Physiology::Oximeter.readings(trace, interval_s)
          trace.every(interval_s).zip(fingers).map { |point, (_, finger)| point.to_h.merge(spo2: finger.round(2)) }
        end
        private_class_method :trace
      end
    end
  end
end
