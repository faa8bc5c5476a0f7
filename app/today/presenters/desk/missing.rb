# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # What is missing before somebody can train, and what soon will be.
      class Missing
        # A screening or a clearance that lapses within these days is asked for in time.
        LAPSE_DAYS = 14

        Row = Value.define(:name, :athlete_id, :words, :path, :action)

        # @param ground [Ground]
        def initialize(ground)
          @ground = ground
        end

        # @return [Array<Row>]
        def rows =
          [
            answered_letters, without_consent, without_screening, lapsing, planned_tests, paused_long_enough,
            without_measure, back_for_long, without_offer
          ].flatten

        private

        # A clinician has answered, and nobody took it over yet.
        def answered_letters
          Records::Letter.waiting.where(athlete_id: @ground.by_id.keys).map do |letter|
            row(@ground.by_id[letter.athlete_id], "A clinician has answered",
              "/athletes/#{letter.athlete_id}/screening#letters", "Read it")
          end
        end

        # Until the day on which it is due all goes on as before.
        def without_consent
          @ground.athletes.filter_map do |athlete|
            due = athlete.consent_due_on
            grace = due && due >= @ground.today
            next if athlete.consents.any? { |one| one.holds?(athlete, @ground.today) }
            next unless grace || @ground.training_ids.include?(athlete.id)

            words = Consents.missing_words(athlete, @ground.today)
            words += ". From #{Words.date(due + 1)} on nothing new is kept without" if grace
            row(athlete, words, "/athletes/#{athlete.id}/consent", "Consent")
          end
        end

        # Those whose screening itself stands in the way, whatever they train.
        def without_screening
          columns =
            @ground
              .prescriptions
              .group_by(&:athlete)
              .transform_values { |open| open.filter_map { |one| one.to_protocol.column }.uniq }
          columns.filter_map do |athlete, trained|
            screen = athlete.to_screen(on: @ground.today)
            refused =
              trained.map { |column| screen.finding(column, on: @ground.today) }.find { |finding| !finding.allows? }
            screening(athlete, refused.reasons.first) if refused
          end
        end

        def lapsing
          @ground.athletes.filter_map do |athlete|
            words = lapse(athlete) if @ground.training_ids.include?(athlete.id)
            screening(athlete, words) if words
          end
        end

        def lapse(athlete)
          soon = (@ground.today + 1)..(@ground.today + LAPSE_DAYS)
          due = athlete.screenings.map(&:answered_on).max&.then { |answered| answered >> Screening::VALID_MONTHS }
          return "The screening lapses on #{Words.date(due)}" if due && soon.cover?(due)

          expiry = athlete.clearances.map(&:expires_on).select { |day| soon.cover?(day) }.min
          "A clearance lapses on #{Words.date(expiry)}" if expiry
        end

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
                next(
                  row(
                    one.athlete,
                    "#{one.name}: a new measure has been taken",
                    "/prescriptions/#{one.id}",
                    "Begin anew"
                  )
                )
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

        def screening(athlete, words) = row(athlete, words, "/athletes/#{athlete.id}/screening", "Screening")

        def control_pause(athlete, words) =
          row(athlete, words, "/athletes/#{athlete.id}/control-pauses/new", "Control pause")

        def row(athlete, words, path, action) =
          Row.new(name: athlete.name, athlete_id: athlete.id, words: words, path: path, action: action)
      end
    end
  end
end
