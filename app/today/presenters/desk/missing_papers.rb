# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # What was not answered, agreed to or cleared, or soon lapses.
      class MissingPapers
        include MissingRows

        # A screening or a clearance that lapses within these days is asked for in time.
        LAPSE_DAYS = 14

        # @return [Array<MissingRow>]
        def rows = [answered_letters, without_consent, without_screening, lapsing].flatten

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

        def screening(athlete, words) = row(athlete, words, "/athletes/#{athlete.id}/screening", "Screening")
      end
    end
  end
end
