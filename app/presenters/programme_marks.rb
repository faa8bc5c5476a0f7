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

    # Which planned sessions were done: looked up for many at once.
    class Done
      # @param athlete_ids [Array<Integer>]
      # @param days [Range<Date>]
      def initialize(athlete_ids, days)
        @sessions = Records::Session.days_done(athlete_ids, days).to_set
        @tests =
          Records::Measure
            .where(
              athlete_id: athlete_ids,
              kind: "maximal_hold",
              taken_at: days.first.to_time...(days.last + 1).to_time
            )
            .pluck(:athlete_id, :taken_at)
            .to_set { |id, at| [id, at.getlocal.to_date] }
      end

      # @param planned [Records::PlannedSession]
      def done?(planned) =
        if planned.test?
          @tests.include?([planned.athlete_id, planned.local_date])
        else
          @sessions.include?([planned.prescription_id, planned.local_date])
        end
    end

    # A week's holding against its line.
    Load =
      Value.define(:from, :hold, :limit, :easy, :share, :over) do
        # @param load [Hash] of a programme
        def self.of(load)
          limit = load["limit_s"]
          share = limit ? [load["hold_s"] / limit.to_f, 1.2].min : nil
          new(
            from: Date.iso8601(load["from"]),
            hold: Words.clock(load["hold_s"]),
            limit: limit && Words.clock(limit),
            easy: load["easy"],
            share: share,
            over: limit ? load["hold_s"] > limit : false
          )
        end

        # @return [Float] of a hundred, for a bar whose line stands at 83
        def bar = ((share || 0) * 100 / 1.2).round(1)

        def words =
          [limit ? "#{hold} of at most #{limit}" : "#{hold} of holding", ("easy week" if easy)].compact.join(", ")
      end
  end
end
