# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # Something that is missing before somebody can train, and where it is mended.
      MissingRow = Value.define(:name, :athlete_id, :words, :path, :action)
    end
  end
end
