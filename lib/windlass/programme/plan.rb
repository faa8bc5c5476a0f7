# frozen_string_literal: true

module Windlass
  module Programme
    # sessions: {Entry}s in order of time.
    Plan = Value.define(:sessions, :unplaced, :weeks)
  end
end
