# frozen_string_literal: true

module Windlass
  module Formats
    module Simulation
      # What `bin/windlass simulate` is asked. Published schema: docs/formats/simulate.schema.json.
      Request = Value.define(:body, :control_pause_s, :full_threshold, :floor, :segments)
    end
  end
end
