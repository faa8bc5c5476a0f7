# frozen_string_literal: true

module Windlass
  module Presenters
    # An athlete's times in the cold, the stage that is open, and what stands in the way today.
    class ColdLog
      SHOWN = 30

      Row = Value.define(:day, :stage, :minutes, :calm, :why_out, :watcher, :note, :uuid, :caution)

      attr_reader :athlete

      # @param athlete [Records::Athlete]
      def initialize(athlete, now:)
        @athlete = athlete
        @now = now
      end

      def title = "Cold, #{athlete.name}"

      def standing = Cold.in_words(athlete.colds.map(&:to_core))

      # @return [Array<Array(Integer, String)>] all of them: what was done is written down, whether or not its stage was
      #   open
      def stages
        open = Cold.open_stage(athlete.colds.map(&:to_core))
        Cold::STAGES.each_with_index.map do |words, index|
          [index + 1, (index > open) ? "#{words} (not open yet)" : words]
        end
      end

      # @return [Array<Progression::Readiness::Reason>] against it today, whoever watches
      def reasons = Queries::ColdReadiness.of(athlete, watcher: "asked below", now: @now).reasons.reject(&:go?)

      # @return [Array<Row>] newest first
      def rows
        athlete
          .colds
          .last(SHOWN)
          .reverse
          .map do |one|
            Row.new(
              day: Dates.short(one.local_date),
              stage: Cold::STAGES[one.stage],
              minutes: Words.number(one.minutes),
              calm: one.calm ? "calm" : "not calm",
              why_out: Cold::WHY_OUT.fetch(one.why_out),
              watcher: one.watcher,
              note: one.note,
              uuid: one.uuid,
              caution: one.caution
            )
          end
      end
    end
  end
end
