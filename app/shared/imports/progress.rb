# frozen_string_literal: true

module Windlass
  module Imports
    # How far it is. This one tells nobody, for what is over before a page could show it.
    class Progress
      # @param doing [String] in a word
      # @param total [Integer] steps that it has
      def begin(doing, total)
      end

      # @param count [Integer] steps that are done
      # @raise [Stopped] where somebody has stopped it
      def step(count = 1)
      end

      # @param account [Records::Account] that an archive is read into
      def stages(account)
      end

      # The one step in which all becomes visible, in a transaction. Behind it nothing can be stopped any more.
      # @yieldreturn [Hash] what is still to be done then: plain JSON, for who goes on in place of this process
      # @return [Hash] the same
      def show(&shown) = Records::Record.transaction(&shown)

      NONE = new.freeze
    end
  end
end
