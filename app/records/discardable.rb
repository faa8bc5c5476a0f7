# frozen_string_literal: true

module Windlass
  module Records
    # What was entered wrong is discarded, and can be brought back. Discarded it doses nothing and is shown nowhere but on its own page: that
    # has to hold for every query that anybody will ever write, so it is the default.
    module Discardable
      extend ActiveSupport::Concern

      included { default_scope { where(discarded_at: nil) } }

      # @param now [Time, nil] nil: it is brought back
      def discard(now) = update!(discarded_at: now)
    end
  end
end
