# frozen_string_literal: true

module Windlass
  module Actions
    # The judge's new word on an edited day is heard, and what was decided stands.
    module KeepDecision
      def self.call(move) = move.update!(verdict_now: nil, reason_now: nil)
    end
  end
end
