# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # What all parts of the desk stand on, read once: the athletes, their open prescriptions, their situations.
      class Ground
        attr_reader :now, :today, :midnight

        # @param account [Records::Account]
        # @param now [Time]
        # @param only [Array<Records::Athlete>, nil] of these alone
        def initialize(account, now:, only: nil)
          @account = account
          @only = only
          @now = now
          @today = now.to_date
          @midnight = Time.new(now.year, now.month, now.day)
        end

        def athletes
          @athletes ||= @only || @account.active_athletes.by_name.includes(:suspensions, :screenings, :clearances,
            :consents).to_a
        end

        def by_id = @by_id ||= athletes.index_by(&:id)

        # @return [Array<Records::Prescription>] open ones, with their athletes
        def prescriptions
          @prescriptions ||=
            Records::Prescription
              .open
              .where(athlete_id: by_id.keys)
              .to_a
              .each { |prescription| prescription.association(:athlete).target = by_id[prescription.athlete_id] }
        end

        # @return [Set<Integer>] ids of athletes to whom something is prescribed that may be run
        def training_ids = @training_ids ||= prescriptions.reject(&:quiet?).to_set(&:athlete_id)

        # @return [Progression::Standing, nil] nil where the ladder offers nothing to this athlete
        def standing_of(prescription)
          @standings ||= {}
          @standings.fetch(prescription.id) do |id|
            @standings[id] = prescription.to_standing(on: today, values: situations.values(prescription.athlete_id))
          end
        end

        # @return [Integer] sets of it that were done today; false starts are none
        def sets_done(prescription_id)
          (@sets_done ||= Records::Session.sets_done(on: today, athlete_id: by_id.keys)).fetch(prescription_id, 0)
        end

        # @return [Hash{Integer => Situations::Snapshot}] by athlete
        def known = @known ||= Situations::Reading.of(by_id.keys, today)

        def situations = @situations ||= Situations.new(known, now: now)

        def near(date) = Dates.near(date, today)
      end
    end
  end
end
