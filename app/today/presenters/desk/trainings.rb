# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # Who trains: readiness with its reason, the dose in words, the line in miniature, one action.
      class Trainings
        # Who is stopped stands under what is to be decided, who is not screened under what is missing.
        SHOWN_ELSEWHERE = %w[block.suspended block.screening].freeze

        Row =
          Value.define(
            :name, :athlete_id, :prescription_id, :protocol, :dose, :notes, :place, :set, :running, :miniature, :state,
            :word, :reason, :said, :slot
          ) do
            # Nothing that is known stands against it; who was not asked today is asked first.
            def together? = !running && (state == :yes || state == :light)

            # Asked, and it may be run at once.
            def runs? = running || (together? && !said.nil?)

            # @return [String] what its button says, where it may be run at once
            def start_words = running ? "To the deck" : "Start"

            # @return [String] what its button says, where it is looked at first
            def open_words = (state == :yes || state == :light) ? "Check in and start" : "Open"

            # @return [String] where it stands, where nothing stands against it
            def standing_words =
              [place, set, ("on the deck" if running), ("said: #{said}" if said)].compact.join(" · ")
          end

        # @param openings [Array<Opening>]
        # @param now [Time]
        def initialize(openings, now:)
          @openings = openings
          @today = now.to_date
          @situations = Situations.new(openings.to_h { |one| [one.athlete_id, one.known] }, now: now)
        end

        # @return [Array<Row>] those who may go first, then those who may not
        def rows
          @openings
            .filter_map { |opening| training(opening) }
            .sort_by { |row| [Progression::Readiness::STATES.reverse.index(row.state), row.name, row.prescription_id] }
        end

        private

        def training(opening)
          ready = @situations.ready(opening.athlete_id, opening.standing)
          return if ready.reasons.any? { |reason| SHOWN_ELSEWHERE.include?(reason.rule) }

          planned = opening.standing.protocol.sets(ready.dose)
          row(opening, ready, (planned > 1) ? "Set #{opening.done + 1} of #{planned}" : nil) if opening.done < planned
        end

        def row(opening, ready, set)
          protocol = ready.standing.protocol
          Row.new(
            **opening.to_h.slice(:name, :athlete_id, :prescription_id, :protocol, :running, :slot),
            set: set,
            dose: protocol.in_short(ready.dose),
            notes: [*care(opening, protocol, ready.dose), *protocol.notes(ready.dose)],
            place: LadderLine.new(ready.standing).place,
            state: ready.state,
            word: ReadyWord.of(ready),
            reason: reason(ready),
            said: @situations.said(opening.athlete_id)&.in_words,
            miniature: Miniature.of(protocol, ready.dose, opening.body)
          )
        end

        # What the screening says to mind, where it lets the training go on.
        # @return [Array<String>] `Take care: pregnancy.`
        def care(opening, protocol, dose)
          findings =
            protocol
              .columns(dose)
              .map { |column| opening.known.screen.finding(column, on: @today) }
              .select { |one| one.state == :care }
          findings.flat_map(&:concerned).uniq.map { |words| "Take care: #{words.downcase}." }
        end

        def reason(ready)
          first = ready.reasons.first or return
          [first.text, (first.lifts unless ready.go?)].compact.join(" ")
        end
      end
    end
  end
end
