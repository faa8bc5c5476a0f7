# frozen_string_literal: true

module Windlass
  module Formats
    module Simulation
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
    end
  end
end
