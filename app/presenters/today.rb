# frozen_string_literal: true

module Windlass
  module Presenters
    # The coach's desk: what must be decided, who trains, what is missing. Nothing that is not to be acted on.
    class Today
      DECIDE_DAYS = 14

      Decision = Value.define(:name, :athlete_id, :uuid, :when, :words, :verdict, :reason)
      Training = Value.define(:name, :athlete_id, :prescription_id, :dose, :place, :set, :running, :miniature)
      Missing = Value.define(:name, :athlete_id, :words, :path, :action)
      Stopped = Value.define(:name, :athlete_id, :words)

      # @param account [Records::Account]
      # @param now [Time]
      def initialize(account, now:)
        @account = account
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

      # @return [Array<Decision>] strongest verdict first
      def decisions
        @decisions ||= undecided.select(&:proposed_verdict).map { |session| decision(session) }
          .sort_by { |row| [Progression::VERDICTS.index(row.verdict), row.name] }
      end

      # @return [Array<Training>]
      def trainings
        @trainings ||= prescriptions.filter_map { |prescription| training(prescription) }.sort_by(&:name)
      end

      # @return [Array<Missing>]
      def missing = @missing ||= without_screening + without_score + without_measure

      def nobody? = athletes.empty?

      private

      def athletes
        @athletes ||= @account.athletes.by_name.includes(:suspensions, :screenings, :clearances).to_a
      end

      def by_id = @by_id ||= athletes.index_by(&:id)

      def prescriptions
        @prescriptions ||= Records::Prescription.open.where(athlete_id: by_id.keys).to_a
      end

      def values
        @values ||= Records::Measure.newest_control_pauses(by_id.keys).then do |newest|
          athletes.to_h { |athlete| [athlete.id, athlete.to_values(newest[athlete.id])] }
        end
      end

      def sets_today
        @sets_today ||= Records::Session.run.where(local_date: @today).group(:prescription_id).count
      end

      def running
        @running ||= Records::Session.where(state: "running", local_date: @today).pluck(:prescription_id).to_set
      end

      def decided_today
        @decided_today ||= Records::Move.where(local_date: @today).pluck(:prescription_id).to_set
      end

      def training(prescription)
        athlete = by_id[prescription.athlete_id]
        return if prescription.quiet? || decided_today.include?(prescription.id)
        return if prescription.to_protocol.holds? && athlete.suspension_on(@today)
        return unless athlete.to_screen(on: @today).finding(prescription.to_protocol.column, on: @today).allows?

        standing = prescription.to_standing(values[athlete.id]) or return
        done = sets_today.fetch(prescription.id, 0)
        sets = standing.protocol.sets(standing.dose)
        return if done >= sets

        Training.new(name: athlete.name, athlete_id: athlete.id, prescription_id: prescription.id,
          dose: standing.protocol.in_words(standing.dose), place: LadderLine.new(standing).place,
          set: "Set #{done + 1} of #{sets}", running: running.include?(prescription.id),
          miniature: Miniature.new(standing.protocol.compile(standing.dose), athlete.to_body(on: @today)))
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

      def missing_pause(athlete, words)
        Missing.new(name: athlete.name, athlete_id: athlete.id, words: words,
          path: "/athletes/#{athlete.id}/control-pauses/new", action: "Control pause")
      end

      def without_measure
        prescriptions.select(&:quiet?).map do |prescription|
          athlete = by_id[prescription.athlete_id]
          missing_pause(athlete, "Quiet breathing, until a new control pause")
        end
      end
    end
  end
end
