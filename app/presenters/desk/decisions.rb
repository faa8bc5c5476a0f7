# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # What the coach must decide: verdicts that wait, and decided days that an edit judges otherwise.
      class Decisions
        DAYS = 14

        Row = Value.define(:name, :athlete_id, :uuid, :protocol, :when, :verdict, :reason)
        Stop = Value.define(:name, :athlete_id, :words)

        # @param ground [Ground]
        def initialize(ground)
          @ground = ground
        end

        # @return [Array<Stop>] those whom only a clearance lets go on
        def stopped
          @ground.athletes.filter_map do |athlete|
            stop = athlete.suspension_on(@ground.today)
            Stop.new(name: athlete.name, athlete_id: athlete.id, words: stop.reason) if stop&.stop?
          end
        end

        # @return [Array<Row>] strongest verdict first
        def rows
          waiting = undecided.select(&:proposed_verdict).map { |session| row(session, session.proposed_verdict, session.proposed_reason) }
          (waiting + outdated).sort_by { |one| [Progression::VERDICTS.index(one.verdict), one.name] }
        end

        private

        # The newest run session of each day without a decision, once the day's sets are done or the day is over.
        def undecided
          open = Records::Session.run.undecided.in_order.includes(:prescription)
            .where(athlete_id: @ground.by_id.keys, local_date: (@ground.today - DAYS)..@ground.today)
          open.group_by { |session| [session.prescription_id, session.local_date] }.values
            .select { |sets| over?(sets) }.map(&:last)
        end

        def over?(sets)
          newest = sets.last
          newest.local_date < @ground.today || newest.state == "stopped" || sets.size >= newest.to_protocol.sets(newest.to_dose)
        end

        def outdated
          Records::Move.outdated.includes(session: :prescription).where(prescription_id: @ground.prescriptions.map(&:id)).map do |move|
            row(move.session, move.verdict_now, "The log was edited; decided was #{move.decided}. #{move.reason_now}")
          end
        end

        def row(session, verdict, reason)
          Row.new(name: @ground.by_id[session.athlete_id].name, athlete_id: session.athlete_id, uuid: session.uuid,
            protocol: session.prescription.name, when: @ground.near(session.local_date), verdict: verdict.to_sym, reason: reason)
        end
      end
    end
  end
end
