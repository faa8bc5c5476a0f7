# frozen_string_literal: true

module Windlass
  module Cli
    # `cues [FILE]`: what `plan` takes in, out all that is heard of it: instructions, counts, tones, and what found no
    # room.
    module Cues
      NAME = "cues"
      USAGE = "cues [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] JSON
      # @return [Hash] plain JSON values
      # @raise [InvalidInput]
      def self.call(text, _options)
        data = Formats::JsonInput.of("cues.schema.json").read(text)
        protocol, dose, compiled = Plan.planned(data)
        Spoken.of(
          compiled,
          counts: protocol.counting(dose, way: data["count"]&.to_sym),
          calls: protocol.calls(dose),
          blocks: protocol.named_blocks(dose),
          voice: data.fetch("voice", true)
        ).to_h_plain
      end
    end
  end
end
