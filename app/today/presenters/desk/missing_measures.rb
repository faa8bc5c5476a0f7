# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # What has to be measured before a dose is offered, or is planned to be.
      class MissingMeasures
        include MissingRows

        # @return [Array<MissingRow>]
        def rows = [planned_tests, paused_long_enough, without_measure, back_for_long, without_offer].flatten

        private

        # A maximal hold that a programme has planned for today.
        def planned_tests
          planned =
            Records::PlannedSession
              .where(athlete_id: @ground.by_id.keys, local_date: @ground.today, prescription_id: nil)
              .joins(:programme)
              .merge(Records::Programme.open)
              .to_a
          done = Done.new(planned.map(&:athlete_id), @ground.today..@ground.today)
          planned
            .reject { |one| done.done?(one) }
            .map do |one|
              row(
                @ground.by_id[one.athlete_id],
                "A maximal hold is planned at #{one.begins}",
                "/athletes/#{one.athlete_id}/measures/maximal_hold/new",
                "Maximal hold"
              )
            end
        end

        # A paused measure has a day on which it is tried again.
        def paused_long_enough
          @ground
            .athletes
            .select do |athlete|
              athlete.control_pause_use == "paused" && athlete.control_pause_again_on&.<=(@ground.today)
            end
            .map do |athlete|
              row(
                athlete,
                "The control pause was paused: try it again, or pause it longer",
                "/athletes/#{athlete.id}/edit",
                "Open"
              )
            end
        end

        def without_measure
          @ground
            .prescriptions
            .select(&:quiet?)
            .map do |one|
              if Queries::Offer.measured_anew?(one)
                words = "#{one.name}: a new measure has been taken"
                next row(one.athlete, words, "/prescriptions/#{one.id}", "Begin anew")
              end

              control_pause(one.athlete, "#{one.name}: quiet breathing, until a new measure")
            end
        end

        # After a long time off the ladder begins lower than the old measure says; two sessions later it is measured
        # anew.
        SESSIONS_BACK = 2

        def back_for_long
          old = @ground.today - Progression::Readiness::LAYOFF_ANEW_DAYS
          @ground
            .prescriptions
            .select do |one|
              smaller_ladder?(one, old) && one.sessions.kept.where(local_date: old..).count >= SESSIONS_BACK
            end
            .map do |one|
              row(
                one.athlete,
                "#{one.name}: back after a long time off, on a smaller ladder. Measure anew",
                "/athletes/#{one.athlete_id}/measures/maximal_hold/new",
                "Maximal hold"
              )
            end
        end

        def smaller_ladder?(prescription, old)
          return false unless prescription.to_protocol.needs.key?(:maximal_hold_s) && prescription.own_dose.nil?

          values = @ground.situations.values(prescription.athlete_id)
          standing = @ground.standing_of(prescription)
          standing && (values.maximal_hold_shown_on.nil? || values.maximal_hold_shown_on < old) &&
            standing.ladder.rungs.first != prescription.to_protocol.start(values)
        end

        # Prescribed once, and not offered any more: a measure changed, or a limit did.
        def without_offer
          @ground
            .prescriptions
            .reject(&:quiet?)
            .select { |one| @ground.standing_of(one).nil? }
            .map do |one|
              sheet = PrescriptionSheet.new(one, now: @ground.now, situations: @ground.situations)
              row(one.athlete, "#{one.name}: #{sheet.hindrance}", "/prescriptions/#{one.id}", "Open")
            end
        end

        def control_pause(athlete, words) =
          row(athlete, words, "/athletes/#{athlete.id}/control-pauses/new", "Control pause")
      end
    end
  end
end
