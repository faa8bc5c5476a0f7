# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # What is missing before somebody can train, and what soon will be.
      class Missing
        # @param ground [Ground]
        def initialize(ground)
          @ground = ground
        end

        # @return [Array<MissingRow>]
        def rows = [MissingPapers, MissingMeasures].flat_map { |kind| kind.new(@ground).rows }
      end
    end
  end
end
