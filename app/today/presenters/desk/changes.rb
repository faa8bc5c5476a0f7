# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # What changed since yesterday that a dose may hang on.
      class Changes
        # Measures, other than the daily score, that ladders are built anew from.
        KINDS = %w[maximal_hold sustained_exhale].freeze

        # @param ground [Ground]
        def initialize(ground)
          @ground = ground
        end

        # @return [Array<MissingRow>]
        def rows = screened + measured + programmes

        private

        # Answers that leave something not open.
        def screened
          @ground.athletes.filter_map do |athlete|
            newest = athlete.newest_screening
            next if newest.nil? || newest.answered_on < @ground.today - 1 || newest.conditions.empty?

            row(
              athlete,
              "Screened #{@ground.near(newest.answered_on)}: #{conditions(newest)}",
              "/athletes/#{athlete.id}/screening",
              "Open"
            )
          end
        end

        def conditions(screening)
          Words.list(
            Screening::MATRIX
              .conditions
              .select { |one| screening.conditions.include?(one.id.to_s) }
              .map { |one| one.question.downcase }
          )
        end

        # Verdicts that a programme does not know of yet, and what was planned for yesterday and not done.
        def programmes
          open =
            Records::Programme
              .current(@ground.today)
              .where(athlete_id: @ground.by_id.keys)
              .pluck(:athlete_id, :id, :planned_at)
          moved =
            Records::Move
              .kept
              .joins(:prescription)
              .where(
                prescriptions: {athlete_id: open.map(&:first)},
                decided_at: (@ground.midnight - 86_400)..,
                noted: false
              )
              .where.not(decided: "repeat")
              .pluck("prescriptions.athlete_id", :decided_at)
          open.filter_map do |athlete_id, _, planned_at|
            words = [
              (
                "Decided since the programme was planned" if moved.any? { |id, at| id == athlete_id && at > planned_at }
              ),
              missed[athlete_id]&.then { |names| "Planned for yesterday and not done: #{Words.list(names)}" }
            ].compact
            if words.any?
              row(@ground.by_id[athlete_id], words.join(". "), "/athletes/#{athlete_id}/programme/anew", "Plan anew")
            end
          end
        end

        def missed
          @missed ||=
            begin
              yesterday = @ground.today - 1
              planned =
                Records::PlannedSession
                  .where(athlete_id: @ground.by_id.keys, local_date: yesterday)
                  .joins(:programme)
                  .merge(Records::Programme.open)
                  .includes(:prescription)
                  .to_a
              done = Done.new(planned.map(&:athlete_id), yesterday..yesterday)
              planned
                .reject { |one| done.done?(one) }
                .group_by(&:athlete_id)
                .transform_values { |own| own.map { |one| one.name.downcase } }
            end
        end

        def measured
          since = @ground.midnight - 86_400
          Records::Measure
            .where(athlete_id: @ground.by_id.keys, kind: KINDS, taken_at: since..)
            .order(:taken_at)
            .map do |measure|
              words =
                "#{measure.to_kind.name} #{@ground.near(measure.taken_at.getlocal.to_date)}: " \
                "#{measure.to_kind.value_words(measure.value)}"
              row(@ground.by_id[measure.athlete_id], words, "/measures/#{measure.uuid}", "Read")
            end
        end

        def row(athlete, words, path, action)
          MissingRow.new(name: athlete.name, athlete_id: athlete.id, words: words, path: path, action: action)
        end
      end
    end
  end
end
