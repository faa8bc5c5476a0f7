# frozen_string_literal: true

module Windlass
  module Presenters
    # What readiness says, in a word or two.
    module ReadyWord
      WORDS = {block: "Not today", wait: "Wait", light: "Light day", yes: "Start lower"}.freeze

      # @param ready_or_reason [#state] what has something to say
      # @return [String] `Light day`, `Wait`, `Not today`; a yes with a reason is one rung lower
      def self.of(ready_or_reason) = WORDS.fetch(ready_or_reason.state)
    end
  end
end
