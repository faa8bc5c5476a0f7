# frozen_string_literal: true

require "digest"
require "json"

module Windlass
  module Actions
    # The plans of the sets that are laid out for one phone. The same dose is reckoned once, for whatever day; what lies
    # there already is found, and only what is new is written, all at once.
    class LaidPlans
      # @param athlete [Records::Athlete]
      def initialize(athlete, now)
        @athlete = athlete
        @now = now
        @reckoned = {}
        @plans = {}
      end

      # @return [String] the mark under which {#keep} has it
      def add(prescription, ready, standing, at)
        columns = {**reckoned(prescription, ready, standing, at), local_date: at.to_date}
        mark = Digest::SHA256.hexdigest(JSON.generate(columns.sort_by { |name, _| name.to_s }))[0, 32]
        @plans[mark] = columns
        mark
      end

      # @return [Hash{String => Records::LaidSet}] by mark
      def keep
        there = known
        missing = @plans.keys - there.keys
        return there if missing.empty?

        Records::LaidSet.transaction { write(missing) }
        known
      end

      private

      def reckoned(prescription, ready, standing, at)
        key = [prescription.id, ready.dose, ready.standing.rung, ready.standing.reduced, ready.light?, standing.dose]
        @reckoned[key] ||=
          PlanSession
            .columns(prescription, ready, standing, at)
            .except(:planned_at, :athlete)
            .merge(prescription_id: prescription.id, athlete_id: @athlete.id)
      end

      def known =
        Records::LaidSet
          .where(athlete_id: @athlete.id, digest: @plans.keys).includes(prescription: :athlete).index_by(&:digest)

      def write(marks)
        over = @now.to_date - Records::LaidSet::KEPT_DAYS
        Records::LaidSet.where(athlete_id: @athlete.id, local_date: ...over).delete_all
        timelines = Records::KeptTimeline.keep(@plans.values_at(*marks).map { |columns| columns[:segments] })
        rows = marks.map { |mark| row(mark, @plans.fetch(mark), timelines) }
        Records::LaidSet.insert_all(rows, unique_by: %i[prescription_id local_date digest])
      end

      def row(mark, columns, timelines)
        columns.except(:segments).merge(
          timeline_id: timelines.fetch(columns[:segments]), digest: mark, uuid: SecureRandom.uuid, laid_at: @now
        )
      end
    end
  end
end
