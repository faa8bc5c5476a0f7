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
      # @return [Hash] plain JSON values; rung and dose are null for what has no ladder; care where a forecast hold of
      #   the rung falls under the planning floor: somebody beside, an oximeter on
      # @raise [InvalidInput]
      def self.call(text, _options)
        data = Formats::JsonInput.of("ready.schema.json").read(text)
        situation = Formats::SituationReader.read(data)
        ready = Progression::Readiness.of(situation)
        {
          ready: ready.state,
          rung: ready.standing&.rung,
          reduced: (true if ready.standing&.reduced),
          dose: ready.dose,
          care: (true if situation.care),
          reasons: ready.reasons.map { |reason| reason.to_h.slice(:rule, :text, :lifts).compact }
        }.reject { |key, value| %i[reduced care].include?(key) && value.nil? }
      end
    end
  end
end
