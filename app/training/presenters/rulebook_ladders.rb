# frozen_string_literal: true

module Windlass
  module Presenters
    # The ladders of the rulebook, a row a protocol.
    module RulebookLadders
      # @return [Rulebook::Section]
      def self.section
        rows =
          Protocols::ALL
            .select(&:laddered?)
            .map do |protocol|
              [
                protocol.name,
                needs(protocol),
                protocol.levers.map { |lever| lever_words(lever) }.join("; "),
                protocol.clean_sessions.to_s
              ]
            end
        Rulebook::Section.new(
          title: "Ladders",
          columns: ["protocol", "needs", "levers in order: step, limit", "clean sessions for a step"],
          rows: rows,
          lead:
            "One lever by one step at a time, in turns. A rung on which the gas model forecasts oxygen under 75 % " \
            "is cut, with all above it."
        )
      end

      def self.needs(protocol)
        protocol
          .needs
          .map { |measure, least| "#{Measures::NAMES.fetch(measure)}#{" of #{least} s" if least.positive?}" }
          .join(", ")
          .then { |words| words.empty? ? "–" : words }
      end

      def self.lever_words(lever)
        limit = [(Words.number(lever.limit) unless lever.limit.respond_to?(:call)), lever.limit_words].compact.join(
          ", "
        )
        opened = lever.opens.map { |switch, last| ", #{Words.number(last)} with #{switch} switched on" }.join
        "#{lever.words} #{format("%+g", lever.step).sub("-", "−")} → #{limit}#{opened}"
      end
      private_class_method :needs, :lever_words
    end
  end
end
