# frozen_string_literal: true

module Windlass
  module Presenters
    # The coach's desk: what must be decided, who trains, what is missing, what changed. Nothing that is not to be acted on.
    class Today
      DECIDE_DAYS = 14
      # A screening or a clearance that lapses within these days is asked for in time.
      LAPSE_DAYS = 14

      # Who is stopped stands under what is to be decided, who is not screened under what is missing.
      SHOWN_ABOVE = %w[block.suspended block.screening].freeze

      Decision = Value.define(:name, :athlete_id, :uuid, :when, :words, :verdict, :reason)
      Training = Value.define(:name, :athlete_id, :prescription_id, :protocol, :dose, :place, :set, :running, :miniature, :state, :word, :reason, :said)
      Missing = Value.define(:name, :athlete_id, :words, :path, :action)
      Stopped = Value.define(:name, :athlete_id, :words)
      Changed = Value.define(:name, :athlete_id, :words, :path, :action)

      # @param account [Records::Account]
      # @param now [Time]
      def initialize(account, now:)
        @account = account
        @now = now
        @today = now.to_date
        @midnight = Time.new(now.year, now.month, now.day)
      end

      def date = Dates.long(@today)

      def stopped
        @stopped ||= athletes.filter_map do |athlete|
          stop = athlete.suspension_on(@today)
          Stopped.new(name: athlete.name, athlete_id: athlete.id, words: stop.reason) if stop&.stop?
        end
      end

      # @return [Array<Decision>] strongest verdict first; decided days that an edit judges otherwise are among them
      def decisions
        @decisions ||= (undecided.select(&:proposed_verdict).map { |session| decision(session) } + outdated)
          .sort_by { |row| [Progression::VERDICTS.index(row.verdict), row.name] }
      end

      # @return [Array<Training>] those who may go first, then those who may not
      def trainings
        @trainings ||= prescriptions.filter_map { |prescription| training(prescription) }
          .sort_by { |row| [Progression::Readiness::STATES.reverse.index(row.state), row.name, row.prescription_id] }
      end

      # @return [Array<Missing>]
      def missing = @missing ||= without_screening + lapsing + without_score + without_measure

      # @return [Array<Changed>]
      def changed = @changed ||= screened + measured

      def nobody? = athletes.empty?

      private

      def athletes
        @athletes ||= @account.athletes.by_name.includes(:suspensions, :screenings, :clearances).to_a
      end

      def by_id = @by_id ||= athletes.index_by(&:id)

      def prescriptions
        @prescriptions ||= Records::Prescription.open.where(athlete_id: by_id.keys).to_a
          .each { |prescription| prescription.association(:athlete).target = by_id[prescription.athlete_id] }
      end

      def situations = @situations ||= Situations.new(athletes, now: @now)

      def days = @days ||= Records::Day.where(athlete_id: by_id.keys, local_date: @today).index_by(&:athlete_id)

      def sets_today
        @sets_today ||= Records::Session.run.where(local_date: @today).group(:prescription_id).count
      end

      def running
        @running ||= Records::Session.where(state: "running", local_date: @today).pluck(:prescription_id).to_set
      end

      def decided_today
        @decided_today ||= Records::Move.kept.where(local_date: @today).pluck(:prescription_id).to_set
      end

      def training(prescription)
        athlete = prescription.athlete
        return if prescription.quiet? || decided_today.include?(prescription.id)

        standing = prescription.to_standing(on: @today, values: situations.values(athlete)) or return
        ready = situations.ready(prescription, standing)
        return if ready.reasons.any? { |reason| SHOWN_ABOVE.include?(reason.rule) }

        done = sets_today.fetch(prescription.id, 0)
        sets = standing.protocol.sets(ready.dose)
        return if done >= sets

        row(prescription, ready, (sets > 1) ? "Set #{done + 1} of #{sets}" : "")
      end

      def row(prescription, ready, set)
        athlete = prescription.athlete
        protocol = ready.standing.protocol
        Training.new(name: athlete.name, athlete_id: athlete.id, prescription_id: prescription.id, protocol: prescription.name,
          dose: protocol.in_words(ready.dose), place: LadderLine.new(ready.standing).place, set: set, running: running.include?(prescription.id),
          state: ready.state, word: PrescriptionSheet.ready_word(ready), reason: ready.reasons.first&.then { |reason| [reason.text, (reason.lifts unless ready.go?)].compact.join(" ") },
          said: said(athlete), miniature: Miniature.of(protocol, ready.dose, athlete.to_body(on: @today)))
      end

      # @return [String, nil] what was said today; nil where nothing was asked yet
      def said(athlete)
        day = days[athlete.id] or return
        answers = day.to_answers.map { |answer| Progression::TodaysQuestions::ALL.fetch(answer) }
        answers.empty? ? "well" : Words.list(answers)
      end

      # The newest run session of each day without a decision, once the day's sets are done or the day is over.
      def undecided
        open = Records::Session.run.undecided.in_order
          .where(athlete_id: by_id.keys, local_date: (@today - DECIDE_DAYS)..@today)
        open.group_by { |session| [session.prescription_id, session.local_date] }.values
          .select { |sets| over?(sets) }.map(&:last)
      end

      def over?(sets)
        newest = sets.last
        newest.local_date < @today || newest.state == "stopped" || sets.size >= newest.to_protocol.sets(newest.to_dose)
      end

      def decision(session)
        Decision.new(name: by_id[session.athlete_id].name, athlete_id: session.athlete_id, uuid: session.uuid,
          when: Dates.near(session.local_date, @today), words: session.to_protocol.in_words(session.to_dose),
          verdict: session.proposed_verdict.to_sym, reason: session.proposed_reason)
      end

      def outdated
        Records::Move.outdated.includes(:session).where(prescription_id: prescriptions.map(&:id)).map do |move|
          session = move.session
          Decision.new(name: by_id[session.athlete_id].name, athlete_id: session.athlete_id, uuid: session.uuid,
            when: Dates.near(move.local_date, @today), words: session.to_protocol.in_words(session.to_dose), verdict: move.verdict_now.to_sym,
            reason: "The log was edited; decided was #{move.decided}. #{move.reason_now}")
        end
      end

      def without_score
        scored = Records::Measure.where(kind: "control_pause", on_waking: true, taken_at: @midnight..)
          .pluck(:athlete_id).to_set
        training = prescriptions.reject(&:quiet?).map(&:athlete_id).to_set
        athletes.filter_map do |athlete|
          next if scored.include?(athlete.id) || !training.include?(athlete.id) || athlete.control_pause_use == "paused"

          missing_pause(athlete, "No morning score yet")
        end
      end

      # Those whose screening itself stands in the way, whatever they train.
      def without_screening
        columns = prescriptions.group_by(&:athlete_id).transform_values { |open| open.filter_map { |one| one.to_protocol.column }.uniq }
        columns.filter_map do |athlete_id, trained|
          athlete = by_id[athlete_id]
          findings = trained.map { |column| athlete.to_screen(on: @today).finding(column, on: @today) }.reject(&:allows?)
          next if findings.empty?

          Missing.new(name: athlete.name, athlete_id: athlete.id, words: findings.first.reasons.first,
            path: "/athletes/#{athlete.id}/screening", action: "Screening")
        end
      end

      # What will be missing soon.
      def lapsing
        soon = (@today + 1)..(@today + LAPSE_DAYS)
        training = prescriptions.map(&:athlete_id).to_set
        athletes.select { |athlete| training.include?(athlete.id) }.filter_map do |athlete|
          answered = athlete.screenings.map(&:answered_on).max
          expiry = athlete.clearances.map(&:expires_on).select { |day| soon.cover?(day) }.min
          due = answered && answered >> Screening::VALID_MONTHS
          words = if due && soon.cover?(due) then "The screening lapses on #{Words.date(due)}"
          elsif expiry then "A clearance lapses on #{Words.date(expiry)}"
          end
          words && Missing.new(name: athlete.name, athlete_id: athlete.id, words: words, path: "/athletes/#{athlete.id}/screening", action: "Screening")
        end
      end

      def missing_pause(athlete, words)
        Missing.new(name: athlete.name, athlete_id: athlete.id, words: words,
          path: "/athletes/#{athlete.id}/control-pauses/new", action: "Control pause")
      end

      def without_measure
        prescriptions.select(&:quiet?).map { |prescription| missing_pause(prescription.athlete, "#{prescription.name}: quiet breathing, until a new measure") }
      end

      # Answers given since yesterday that leave something not open.
      def screened
        athletes.filter_map do |athlete|
          newest = athlete.screenings.max_by { |one| [one.answered_on, one.id] }
          next if newest.nil? || newest.answered_on < @today - 1 || newest.conditions.empty?

          Changed.new(name: athlete.name, athlete_id: athlete.id, words: "Screened #{Dates.near(newest.answered_on, @today)}: #{conditions(newest)}",
            path: "/athletes/#{athlete.id}/screening", action: "Look")
        end
      end

      def conditions(screening)
        Words.list(Screening::MATRIX.conditions.select { |one| screening.conditions.include?(one.id.to_s) }.map { |one| one.question.downcase })
      end

      # New measures, other than the daily score, that ladders are built anew from.
      def measured
        Records::Measure.where(athlete_id: by_id.keys, kind: %w[maximal_hold sustained_exhale], taken_at: (@midnight - 86_400)..).order(:taken_at).map do |measure|
          Changed.new(name: by_id[measure.athlete_id].name, athlete_id: measure.athlete_id, path: "/measures/#{measure.uuid}", action: "Read",
            words: "#{measure.to_kind.name} #{Dates.near(measure.taken_at.getlocal.to_date, @today)}: #{measure.to_kind.value_words(measure.value)}")
        end
      end
    end
  end
end
