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

        # @return [Array<Missing::Row>]
        def rows = screened + measured

        private

        # Answers that leave something not open.
        def screened
          @ground.athletes.filter_map do |athlete|
            newest = athlete.screenings.max_by { |one| [one.answered_on, one.id] }
            next if newest.nil? || newest.answered_on < @ground.today - 1 || newest.conditions.empty?

            row(athlete, "Screened #{@ground.near(newest.answered_on)}: #{conditions(newest)}", "/athletes/#{athlete.id}/screening", "Look")
          end
        end

        def conditions(screening)
          Words.list(Screening::MATRIX.conditions.select { |one| screening.conditions.include?(one.id.to_s) }.map { |one| one.question.downcase })
        end

        def measured
          since = @ground.midnight - 86_400
          Records::Measure.where(athlete_id: @ground.by_id.keys, kind: KINDS, taken_at: since..).order(:taken_at).map do |measure|
            words = "#{measure.to_kind.name} #{@ground.near(measure.taken_at.getlocal.to_date)}: #{measure.to_kind.value_words(measure.value)}"
            row(@ground.by_id[measure.athlete_id], words, "/measures/#{measure.uuid}", "Read")
          end
        end

        def row(athlete, words, path, action)
          Missing::Row.new(name: athlete.name, athlete_id: athlete.id, words: words, path: path, action: action)
        end
      end
    end
  end
end
