# frozen_string_literal: true

module Windlass
  module Cli
    # `protocols`: the library, with parameters, levers and cautions. Reads nothing.
    module Protocols
      NAME = "protocols"
      USAGE = "protocols"
      OPTIONS = [].freeze
      READS = false

      # @return [Array<Hash>] plain JSON values
      def self.call(_text, _options) = Windlass::Protocols::ALL.map { |protocol| entry(protocol) }

      def self.entry(protocol)
        {
          id: protocol.id,
          name: protocol.name,
          also: protocol.also,
          goal: protocol.goal,
          column: protocol.column,
          trains: protocol.trains,
          cautions: protocol.cautions,
          places: protocol.places,
          disciplines: protocol.disciplines,
          needs: protocol.needs,
          parameters: protocol.parameters.map { |one| parameter(one) },
          levers: protocol.levers.map { |lever| lever(lever) },
          clean_sessions: protocol.clean_sessions,
          strenuous: protocol.strenuous?,
          over_breathing: protocol.over_breathing?
        }
      end

      # A limit that the measures set is said in words.
      def self.lever(lever)
        limit = lever.limit.respond_to?(:call) ? lever.limit_words : lever.limit
        lever
          .to_h
          .slice(:key, :step, :harder)
          .merge(limit: limit, opens: (lever.opens unless lever.opens.empty?))
          .compact
      end

      def self.parameter(one)
        {
          key: one.key,
          words: one.words,
          unit: one.unit,
          minimum: one.range&.begin,
          maximum: one.range&.end,
          step: one.step,
          choices: one.choices&.keys,
          names: one.names,
          numbers: one.numbers,
          optional: one.optional || nil,
          usual: plain(one.usual),
          folded: one.folded || nil
        }.compact
      end

      # Seconds as decimals.
      def self.plain(value) = value.is_a?(Rational) ? Windlass::Numbers.plain(value) : value
      private_class_method :entry, :lever, :parameter, :plain
    end
  end
end
