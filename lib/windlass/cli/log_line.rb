# frozen_string_literal: true

module Windlass
  module Cli
    # `log-line [FILE]`: a line of a note in, the session that it tells out.
    module LogLine
      NAME = "log-line"
      USAGE = "log-line [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] JSON
      # @return [Hash] date, at, rounds, effort, symptoms, note
      # @raise [InvalidInput]
      def self.call(text, _options)
        data = Formats::JsonInput.of("log-line.schema.json").read(text)
        entry = Log::Line.read(data.fetch("line"), today: day(data.fetch("date")), targets: data.fetch("targets", []))
        entry.to_h.merge(date: entry.date.iso8601, rounds: entry.rounds.map(&:to_h))
      end

      def self.day(text)
        Date.iso8601(text)
      rescue Date::Error
        raise InvalidInput, ["date: #{Error.shown(text)} is not allowed; allowed: a day such as 2026-03-02"]
      end
      private_class_method :day
    end
  end
end
