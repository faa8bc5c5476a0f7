# frozen_string_literal: true

module Windlass
  module Records
    # What was entered wrong is discarded, and can be brought back. Discarded it doses nothing and is shown nowhere but
    # on its own page: that has to hold for every query that anybody will ever write, so it is the default.
    module Discardable
      extend ActiveSupport::Concern

      included do
        default_scope { where(discarded_at: nil) }
        # Without what is read in just now.
        scope :discarded, -> { unscope(where: :discarded_at).where.not(discarded_at: nil).where(Unseen::NOT_THESE) }
        scope :seen, -> { unscope(where: :discarded_at).where(Unseen::NOT_THESE) }
      end

      # @param now [Time, nil] nil: it is brought back
      def discard(now) = update!(discarded_at: now)
    end
  end
end
