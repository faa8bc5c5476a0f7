# frozen_string_literal: true

module Windlass
  module Imports
    # Somebody has stopped what was read in.
    class Stopped < Error
    end
  end
end
