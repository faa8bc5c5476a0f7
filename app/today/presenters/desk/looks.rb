# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # Whom a coach should look at, though nothing has to be decided: who has not come, slides, or is stuck.
      class Looks
        HEADS = {away: "Away", slides: "Slides", stuck: "Stuck"}.freeze

        # @param ground [Ground]
        def initialize(ground)
          @ground = ground
        end

        # @return [Array<MissingRow>] nobody who is stopped: that stands above
        def rows
          training.filter_map do |athlete|
            reasons = known[athlete.id]&.reasons(on: @ground.today, away: absent.include?(athlete.id)).to_a
            next if reasons.empty?

            MissingRow.new(
              name: athlete.name,
              athlete_id: athlete.id,
              words: reasons.map { |kind, why| "#{HEADS.fetch(kind)}: #{why}" }.join(" · "),
              path: "/athletes/#{athlete.id}",
              action: "Open"
            )
          end
        end

        private

        def training =
          @training ||=
            @ground.athletes.select do |athlete|
              @ground.training_ids.include?(athlete.id) && athlete.stop_on(@ground.today).nil?
            end

        def known = @known ||= Queries::Whereabouts.of(training, today: @ground.today)

        def absent =
          @absent ||= Records::Absence.on(@ground.today).where(athlete_id: training.map(&:id)).pluck(:athlete_id).to_set
      end
    end
  end
end
