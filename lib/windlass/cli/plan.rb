# frozen_string_literal: true

module Windlass
  module Cli
    # `plan [FILE]`: a protocol with a dose or a rung in, its segments out, and the forecast of its holds.
    module Plan
      NAME = "plan"
      USAGE = "plan [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] JSON
      # @return [Hash] plain JSON values; holds is null without an athlete
      # @raise [InvalidInput]
      def self.call(text, _options)
        data = Formats::JsonInput.of("plan.schema.json").read(text)
        protocol, dose, compiled = planned(data)
        forecast =
          Formats::Parts.model(data, posture: protocol.posture)&.forecast(compiled.segments, before: compiled.before)
        {
          protocol: protocol.id,
          dose: dose,
          seconds: Numbers.plain(compiled.total_ms/1000r),
          segments: compiled.segments.map(&:to_h_plain),
          holds: forecast&.holds&.map(&:to_h_plain)
        }
      end

      # @param data [Hash] as the schema has it
      # @return [Array(Protocols::Protocol, Hash, Timeline::Compiled)]
      def self.planned(data)
        protocol = Formats::Parts.protocol(data)
        dose = dose(data, protocol)
        protocol = protocol.bound(dose)
        body = Formats::Parts.posed_body(data, protocol.posture)
        compiled = protocol.compile(dose, body || Physiology::REFERENCE_BODY)
        [protocol, dose, body ? protocol.bounded(compiled, dose, body) : compiled]
      end

      def self.dose(data, protocol)
        return Formats::Parts.standing(data, Formats::Parts.ladder(data, protocol)).dose unless data.key?("dose")
        raise InvalidInput, ["rung: comes with a dose; allowed: the one or the other"] if data.key?("rung")

        given = Formats::Parts.dose(data, protocol)
        bound = protocol.bound(given)
        fitted = bound.fitted(given, Formats::Parts.posed_body(data, nil))
        objection = bound.objection(fitted)
        raise InvalidInput, ["dose: #{objection}"] if objection

        fitted
      end
      private_class_method :dose
    end
  end
end
