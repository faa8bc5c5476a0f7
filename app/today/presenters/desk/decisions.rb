# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # What the coach must decide: verdicts that wait, and decided days that an edit judges otherwise.
      class Decisions
        DAYS = 14

        Row =
          Value.define(:name, :athlete_id, :uuid, :protocol, :when, :verdict, :reason, :plain) do
            def word = VerdictWords::WORDS.fetch(verdict)
          end
        Stop = Value.define(:name, :athlete_id, :words)
        Twin = Value.define(:name, :athlete_id, :uuid, :words)

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

        # @return [Array<Twin>] sessions that two devices ran: which of them it was
        def twins
          Records::Session
            .with_unsettled_twins
            .where(athlete_id: @ground.by_id.keys)
            .map do |session|
              Twin.new(
                name: @ground.by_id[session.athlete_id].name,
                athlete_id: session.athlete_id,
                uuid: session.uuid,
                words:
                  "Two devices ran #{session.prescription.name.downcase} of #{@ground.near(session.local_date)}. " \
                  "Which of them was it?"
              )
            end
        end

        # @return [Array<Row>] strongest verdict first
        def rows
          waiting =
            Undecided.of(@ground, days: DAYS)
              .select(&:proposed_verdict)
              .map { |session| row(session, session.proposed_verdict, session.proposed_reason, plain: plain?(session)) }
          (waiting + outdated).sort_by { |one| [Progression::VERDICTS.index(one.verdict), one.name] }
        end

        private

        def outdated
          Records::Move
            .outdated
            .includes(session: :prescription)
            .where(prescription_id: @ground.prescriptions.map(&:id))
            .map do |move|
              row(move.session, move.verdict_now, "The log was edited; decided was #{move.decided}. #{move.reason_now}")
            end
        end

        # Nothing was said or noted either.
        def plain?(session) = session.proposed_plain && session.symptoms.empty? && session.note.empty?

        def row(session, verdict, reason, plain: false)
          Row.new(
            name: @ground.by_id[session.athlete_id].name,
            athlete_id: session.athlete_id,
            uuid: session.uuid,
            protocol: session.prescription.name,
            when: @ground.near(session.local_date),
            verdict: verdict.to_sym,
            reason: reason,
            plain: plain
          )
        end
      end
    end
  end
end
