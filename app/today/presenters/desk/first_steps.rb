# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # Whoever has never trained is led there: one next step at a time.
      class FirstSteps
        # @param ground [Ground]
        def initialize(ground)
          @ground = ground
        end

        # @return [Array<MissingRow>] one an athlete
        def rows = fresh.filter_map { |athlete| step(athlete) }

        # @param athlete [Records::Athlete]
        # @return [String, nil] address of the next step; nil of somebody who has trained before
        def self.path(athlete, now:)
          new(Ground.new(athlete.account, now: now, only: [athlete.class.find(athlete.id)])).rows.first&.path
        end

        private

        def fresh = @ground.athletes.reject { |athlete| trained.include?(athlete.id) }

        def trained =
          @trained ||= Records::Session.where(athlete_id: @ground.by_id.keys).distinct.pluck(:athlete_id).to_set

        def step(athlete)
          before = BeforeAPause.new(athlete, today: @ground.today)
          return if before.stop
          if Consents.missing?(athlete, @ground.today)
            return row(athlete, "Consent comes first: what is kept, and why", "consent", "Consent")
          end

          if athlete.screenings.empty?
            return (
              row(
                athlete,
                "Screening comes first: who may hold their breath, and in which way",
                "screening",
                "Screening"
              )
            )
          end
          if before.lacking
            return row(athlete, before.lacking, "screening", before.word_missing? ? "Record it" : "Screening")
          end
          unless measured.include?(athlete.id) || athlete.control_pause_use == "paused"
            return row(athlete, "Next: a control pause, to set the dose", "control-pauses/new", "Control pause")
          end

          unless prescribed.include?(athlete.id)
            MissingRow.new(
              name: athlete.name,
              athlete_id: athlete.id,
              words: "Next: choose a protocol",
              path: "/protocols?athlete_id=#{athlete.id}",
              action: "Choose a protocol"
            )
          end
        end

        def row(athlete, words, path, action) =
          MissingRow.new(
            name: athlete.name,
            athlete_id: athlete.id,
            words: words,
            path: "/athletes/#{athlete.id}/#{path}",
            action: action
          )

        def measured =
          @measured ||=
            Records::Measure
              .where(athlete_id: @ground.by_id.keys, kind: %w[control_pause maximal_hold])
              .distinct
              .pluck(:athlete_id)
              .to_set

        def prescribed = @prescribed ||= @ground.prescriptions.to_set(&:athlete_id)
      end
    end
  end
end
