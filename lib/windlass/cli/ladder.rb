# frozen_string_literal: true

module Windlass
  module Cli
    # `ladder [FILE]`: a protocol and measures in, every rung out. With an athlete the gas model is asked too.
    module Ladder
      NAME = "ladder"
      USAGE = "ladder [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] JSON
      # @return [Hash] rungs; reason where there are none, or where it is cut; with an athlete the rungs that want care
      # @raise [InvalidInput]
      def self.call(text, _options)
        data = Formats::JsonInput.of("ladder.schema.json").read(text)
        ladder = Formats::Parts.ladder(data)
        reason = ladder.offered_at_all? ? ladder.cut : Formats::Parts.refusal(ladder, Formats::Parts.measures(data))
        care = (0..ladder.top).select { |rung| ladder.care?(rung) } if data["athlete"]
        {rungs: ladder.rungs, reason: reason, care: care}.compact
      end
    end
  end
end
