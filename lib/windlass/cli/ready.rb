# frozen_string_literal: true

module Windlass
  module Cli
    # `ready [FILE]`: a day before a session in, whether it may be done and how out.
    module Ready
      NAME = "ready"
      USAGE = "ready [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] JSON
      # @return [Hash] plain JSON values; rung and dose are null for what has no ladder
      # @raise [InvalidInput]
      def self.call(text, _options)
        data = Formats::JsonInput.new("ready.schema.json").read(text)
        ready = Progression::Readiness.of(Formats::SituationReader.read(data))
        {ready: ready.state, rung: ready.standing&.rung, dose: ready.dose,
         reasons: ready.reasons.map { |reason| reason.to_h.slice(:rule, :text, :lifts).compact }}
      end
    end
  end
end
