# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # What may still be done today, by when it is planned: all of it that hangs neither on the hour nor on what
      # somebody says today.
      class Openings
        # @param ground [Ground]
        def initialize(ground)
          @ground = ground
        end

        # @return [Array<Opening>] of what the measures, the model and the screening offer
        def rows =
          open.filter_map do |prescription|
            @ground.standing_of(prescription)&.then { |standing| opening(prescription, standing) }
          end

        private

        def open =
          @ground
            .prescriptions
            .reject { |one| one.quiet? || decided.include?(one.id) || given_up.include?(one.id) }
            .sort_by(&:id)

        def opening(prescription, standing)
          athlete = prescription.athlete
          Opening.new(
            athlete_id: athlete.id,
            prescription_id: prescription.id,
            name: athlete.name,
            protocol: prescription.name,
            standing: standing,
            known: @ground.known.fetch(athlete.id),
            body: athlete.to_body(on: @ground.today),
            done: @ground.sets_done(prescription.id),
            running: running.include?(prescription.id),
            slot: slot(prescription)
          )
        end

        # @return [Opening::Slot, nil] when it is planned today; {Opening::NOT_TODAY} where a programme does not plan it
        def slot(prescription)
          return unless programmes.include?(prescription.athlete_id)

          one = planned[prescription.id] or return Opening::NOT_TODAY
          Opening::Slot.new(
            at: one.at,
            name: one.programme.group&.name,
            place: Protocols::PLACES[one.place.to_sym],
            begins: one.begins
          )
        end

        def ids = @ground.by_id.keys

        def planned =
          @planned ||=
            Records::PlannedSession
              .where(athlete_id: ids, local_date: @ground.today)
              .where.not(prescription_id: nil)
              .joins(:programme)
              .merge(Records::Programme.open)
              .includes(programme: :group)
              .index_by(&:prescription_id)

        # Athletes whose day a programme has planned; one that has not begun has taken over what was planned before.
        def programmes
          @programmes ||=
            Records::Programme
              .current(@ground.today)
              .where(athlete_id: ids)
              .then do |open|
                open.where(starts_on: ..@ground.today).or(open.where(id: planned.values.map(&:programme_id)))
              end
              .pluck(:athlete_id)
              .to_set
        end

        # No more sets today.
        def given_up =
          @given_up ||=
            Records::Session
              .kept
              .where(athlete_id: ids, local_date: @ground.today, given_up: true)
              .pluck(:prescription_id)
              .to_set

        def running =
          @running ||=
            Records::Session
              .where(athlete_id: ids, state: "running", local_date: @ground.today)
              .pluck(:prescription_id)
              .to_set

        def decided =
          @decided ||=
            Records::Move
              .kept
              .where(prescription_id: @ground.prescriptions.map(&:id), local_date: @ground.today)
              .pluck(:prescription_id)
              .to_set
      end
    end
  end
end
