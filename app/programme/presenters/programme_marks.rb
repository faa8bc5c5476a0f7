# frozen_string_literal: true

module Windlass
  module Presenters
    # A planned session as a mark: what it is and how heavy, by shape and words.
    module ProgrammeMarks
      # shape: one of {SHAPES}. state: :ahead, :done, :missed.
      Mark =
        Value.define(
          :uuid, :name, :shape, :weight, :rung, :minutes, :at, :begins, :state, :fixed, :reasons, :date, :dose, :apart
        )
      SHAPES = {test: "maximal hold", heavy: "heavy", table: "table", voice: "voice", small: "small"}.freeze

      # @param planned [Records::PlannedSession]
      # @param done [Boolean] something of it was done on that day
      # @return [Mark]
      def self.of(planned, today:, done:)
        shape = shape(planned.to_protocol)
        Mark.new(
          uuid: planned.uuid,
          name: planned.name,
          shape: shape,
          weight: SHAPES.fetch(shape),
          rung: rung(planned),
          minutes: "#{(planned.seconds / 60.0).ceil} min",
          at: planned.at,
          begins: planned.begins,
          state: state(planned, today, done),
          fixed: planned.fixed,
          reasons: planned.reasons.map { |reason| reason["text"] },
          date: planned.local_date,
          dose: planned.dose_words,
          apart: planned.apart
        )
      end

      def self.rung(planned) =
        planned.rung &&
          [
            planned.expected ? "expected rung #{planned.rung + 1}" : "rung #{planned.rung + 1}",
            ("light" if planned.light)
          ].compact.join(", ")

      def self.state(planned, today, done)
        return :done if done

        (planned.local_date < today) ? :missed : :ahead
      end

      def self.shape(activity)
        return :test if activity == Progression::MAXIMAL_TEST
        return :heavy if activity.strenuous? || activity.over_breathing?
        return :table if activity.once_a_day? || activity.column == :retention

        (activity.column == :voice) ? :voice : :small
      end
      private_class_method :rung, :state, :shape
    end
  end
end
