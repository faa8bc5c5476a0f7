# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # How such a row is written; for what knows its ground.
      module MissingRows
        # @param ground [Ground]
        def initialize(ground)
          @ground = ground
        end

        private

        def row(athlete, words, path, action) =
          MissingRow.new(name: athlete.name, athlete_id: athlete.id, words: words, path: path, action: action)
      end
    end
  end
end
