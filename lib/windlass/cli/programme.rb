# frozen_string_literal: true

module Windlass
  module Cli
    # `programme [FILE]`: slots, trainings, events and what is known of an athlete in, the weeks ahead out.
    module Programme
      NAME = "programme"
      USAGE = "programme [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] JSON
      # @return [Hash] sessions, unplaced and weeks
      # @raise [InvalidInput]
      def self.call(text, _options)
        plan = Formats::ProgrammeReader.new(Formats::JsonInput.of("programme.schema.json").read(text)).planner.plan
        {
          sessions: plan.sessions.map { |entry| session(entry) },
          unplaced: plan.unplaced.map { |one| unplaced(one) },
          weeks:
            plan.weeks.map do |week|
              {
                from: week.from.iso8601,
                hold_seconds: number(week.hold_seconds),
                easy: week.easy,
                limit_s: week.limit_s && number(week.limit_s)
              }
            end
        }
      end

      # at: its slot's; begins: after those before it in the same slot.
      def self.session(entry)
        {
          date: entry.date.iso8601,
          at: entry.at,
          begins: entry.begins,
          place: entry.place,
          protocol: entry.training.protocol.id,
          rung: entry.rung,
          expected: entry.expected,
          light: (true if entry.light),
          proposed: (true if entry.proposed),
          sets_through_the_day: (true if entry.apart),
          seconds: number(entry.seconds),
          hold_seconds: number(entry.hold_seconds),
          reasons: entry.reasons.map(&:to_h)
        }.reject { |key, value| value.nil? && %i[light proposed sets_through_the_day].include?(key) }
      end

      def self.unplaced(one) =
        {
          week: one.week.iso8601,
          protocol: one.training.protocol.id,
          missing: one.missing,
          reasons: one.reasons.map(&:to_h)
        }

      def self.number(value) = Numbers.plain(value.is_a?(Rational) ? value : value.to_r.round(3))
      private_class_method :session, :unplaced, :number
    end
  end
end
