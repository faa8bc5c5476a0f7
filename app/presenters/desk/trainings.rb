# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # Who trains: readiness with its reason, the dose in words, the line in miniature, one action.
      class Trainings
        # Who is stopped stands under what is to be decided, who is not screened under what is missing.
        SHOWN_ELSEWHERE = %w[block.suspended block.screening].freeze

        Row = Value.define(:name, :athlete_id, :prescription_id, :protocol, :dose, :notes, :place, :set, :running, :miniature, :state, :word, :reason, :said, :slot) do
          # Nothing that is known stands against it; who was not asked today is asked first.
          def together? = !running && (state == :yes || state == :light)

          # Asked, and it may be run at once.
          def runs? = running || (together? && !said.nil?)
        end

        # A time of today at which it is planned.
        Slot = Value.define(:at, :name, :place, :begins) do
          # @return [String] `18:30, Kestrel Quay freediving club`
          def in_words = [at, name].compact.join(", ")
        end
        NOT_TODAY = Slot.new(at: "", name: nil, place: nil, begins: nil)

        # @param ground [Ground]
        def initialize(ground)
          @ground = ground
        end

        # @return [Array<Row>] of the ground's prescriptions: those who may go first, then those who may not
        def rows
          @ground.prescriptions.filter_map { |prescription| training(prescription) }
            .sort_by { |row| [Progression::Readiness::STATES.reverse.index(row.state), row.name, row.prescription_id] }
        end

        # What may still be done today, by when it is planned: nothing is asked of anybody here.
        # @return [Hash{Symbol => Array<Records::Prescription>}] planned, free and unplanned, by name
        def waiting
          @waiting ||= {planned: [], free: [], unplanned: []}.merge(open.group_by { |one|
            slot(one).then { |at|
              if at.nil?
                :free
              else
                at.equal?(NOT_TODAY) ? :unplanned : :planned
              end
            }
          })
        end

        private

        def open
          @ground.prescriptions.reject { |one| one.quiet? || decided.include?(one.id) || given_up.include?(one.id) }.sort_by { |one| [place[one.athlete_id], one.id] }
        end

        def place = @place ||= @ground.athletes.each_with_index.to_h { |athlete, index| [athlete.id, index] }

        def training(prescription)
          standing = @ground.standing_of(prescription) or return
          ready = @ground.situations.ready(prescription, standing)
          return if ready.reasons.any? { |reason| SHOWN_ELSEWHERE.include?(reason.rule) }

          done = @ground.sets_done(prescription.id)
          planned = standing.protocol.sets(ready.dose)
          row(prescription, ready, (planned > 1) ? "Set #{done + 1} of #{planned}" : nil) if done < planned
        end

        def row(prescription, ready, set)
          athlete = prescription.athlete
          protocol = ready.standing.protocol
          Row.new(name: athlete.name, athlete_id: athlete.id, prescription_id: prescription.id, protocol: prescription.name,
            dose: protocol.in_short(ready.dose), notes: protocol.notes(ready.dose), place: LadderLine.new(ready.standing).place, set: set, running: running.include?(prescription.id),
            state: ready.state, word: PrescriptionSheet.ready_word(ready), reason: reason(ready), said: said(athlete),
            miniature: Miniature.of(protocol, ready.dose, athlete.to_body(on: @ground.today)), slot: slot(prescription))
        end

        def reason(ready)
          first = ready.reasons.first or return
          [first.text, (first.lifts unless ready.go?)].compact.join(" ")
        end

        # @return [Slot, nil] when it is planned today; {NOT_TODAY} where there is a programme that does not plan it
        def slot(prescription)
          return unless programmes.include?(prescription.athlete_id)

          one = planned[prescription.id] or return NOT_TODAY
          Slot.new(at: one.at, name: one.programme.group&.name, place: Protocols::PLACES[one.place.to_sym], begins: one.begins)
        end

        def planned = @planned ||= Records::PlannedSession.where(athlete_id: @ground.by_id.keys, local_date: @ground.today).where.not(prescription_id: nil).joins(:programme).merge(Records::Programme.open).includes(programme: :group).index_by(&:prescription_id)

        # Athletes whose day a programme has planned; one that has not begun has taken over what was planned before.
        def programmes
          @programmes ||= Records::Programme.current(@ground.today).where(athlete_id: @ground.by_id.keys).then { |open| open.where(starts_on: ..@ground.today).or(open.where(id: planned.values.map(&:programme_id))) }.pluck(:athlete_id).to_set
        end

        # @return [String, nil] what was said today; nil where nothing was asked yet
        def said(athlete)
          @days ||= Records::Day.where(athlete_id: @ground.by_id.keys, local_date: @ground.today).index_by(&:athlete_id)
          @days[athlete.id]&.in_words
        end

        # No more sets today.
        def given_up
          @given_up ||= Records::Session.kept.where(local_date: @ground.today, given_up: true).pluck(:prescription_id).to_set
        end

        def running
          @running ||= Records::Session.where(state: "running", local_date: @ground.today).pluck(:prescription_id).to_set
        end

        def decided
          @decided ||= Records::Move.kept.where(local_date: @ground.today).pluck(:prescription_id).to_set
        end
      end
    end
  end
end
