# frozen_string_literal: true

module Windlass
  module Presenters
    # Suspensions at one's own pace, session by session: the medians of the full ones and of the empty ones, each in a
    # chart of its own.
    class Baselines
      LUNGS = {full: "Suspended full", empty: "Suspended empty"}.freeze

      # A session's median, as a chart takes it.
      Median = Value.define(:taken_at, :value)

      # What is measured, as a chart takes it.
      What =
        Value.define(:name) do
          def unit = "s"

          def value_words(value) = Words.seconds(value)
        end

      # @param rounds [Enumerable<#number, #held_ms, #unmarked>] of one session: they go full, empty, full
      # @return [Hash{Symbol => Numeric}] median seconds, by how the lungs are; without what was never held
      def self.medians(rounds)
        held =
          rounds
            .select { |round| round.held_ms.to_i > 0 && !round.unmarked }
            .group_by { |round| round.number.odd? ? :full : :empty }
        LUNGS
          .keys
          .filter_map { |lungs| [lungs, (Trends.median(held[lungs].map(&:held_ms)) / 1000.0).round(1)] if held[lungs] }
          .to_h
      end

      # @return [String] `Half of the suspensions were longer than 4 s full and 3 s empty.`
      def self.in_words(rounds)
        medians = medians(rounds)
        if medians.any?
          "Half of the suspensions were longer than " \
          "#{Words.list(medians.map { |lungs, seconds| "#{Words.seconds(seconds)} #{lungs}" })}."
        end
      end

      # @param athlete [Records::Athlete]
      def self.of(athlete, since:)
        ids = Protocols::ALL.select(&:baseline?).map(&:id)
        new(athlete.sessions.kept.where(protocol: ids, local_date: since..).in_order.includes(:rounds).to_a)
      end

      # @param sessions [Array<Records::Session>] in order
      def initialize(sessions)
        @medians = sessions.map { |session| [session.started_at.getlocal, self.class.medians(session.rounds)] }
      end

      # @return [Array<MeasureChart>]
      def charts
        LUNGS.filter_map do |lungs, name|
          taken =
            @medians.filter_map { |at, medians| Median.new(taken_at: at, value: medians[lungs]) if medians[lungs] }
          MeasureChart.new(taken, What.new(name: name)) if taken.any?
        end
      end
    end
  end
end
