# frozen_string_literal: true

module Windlass
  module Presenters
    # The log: what was done, by anybody, newest first.
    class LogPage
      Row =
        Value.define(
          :uuid, :date, :athlete, :athlete_id, :protocol, :dose, :held, :breaths, :effort, :symptoms, :verdict, :how,
          :place, :strip
        )

      # Sessions that are looked at for names of places.
      NEWEST = 300

      attr_reader :form

      # @param account [Records::Account]
      # @param form [Forms::LogForm]
      def initialize(account, form)
        @account = account
        @form = form
        found = Records::SessionLog.new(account, form).page.includes(:athlete, :prescription).to_a
        @sessions = found.first(Records::SessionLog::PAGE)
        @more = found.size > @sessions.size
        @rounds = Records::Round.outcomes(@sessions.map(&:id))
      end

      # @return [Array<Row>]
      def rows = @sessions.map { |session| row(session) }

      def empty? = @sessions.empty?

      # @return [String, nil] what leads to the next page
      def further =
        if @more
          form.query(after: [@sessions.last.local_date, @sessions.last.id, @sessions.last.effort].compact.join("~"))
        end

      # @return [String] what is filtered, in one line: `Filter: Ada Quill, Ease, from 2026-03-01`
      def filtered
        chosen =
          {
            athlete_id: athletes,
            protocol: protocols,
            verdict: verdicts,
            symptom: symptoms
          }.filter_map { |field, choices| choices.to_h(&:reverse)[form.text_at(field)] }
        said =
          {from: "from", to: "to", place: "at", search: "note with"}.filter_map do |field, words|
            "#{words} #{form.text_at(field)}" unless form.text_at(field).to_s.empty?
          end
        ["Filter", (chosen + said).join(", ").then { |all| all.empty? ? nil : all }].compact.join(": ")
      end

      # @return [Boolean] not the first page
      def later? = !form.after.nil?

      def athletes = @athletes ||= @account.athletes.by_name.pluck(:name, :id).map { |name, id| [name, id.to_s] }

      # @return [Array<Array(String, String)>] of those that were ever prescribed
      def protocols
        @protocols ||=
          @account.of(Records::Prescription)
            .distinct
            .pluck(:protocol, :own_name)
            .map { |id, own_name| [(own_name if Protocols::Blocks.id?(id)) || Protocols.find(id).name, id] }
            .uniq(&:last)
            .sort
      end

      def verdicts = VerdictWords::WORDS.map { |verdict, words| [words, verdict.to_s] }

      # @return [Array<String>] of the newest sessions, to choose from
      def places =
        @account.of(Records::Session)
          .where.not(place: "")
          .order(local_date: :desc)
          .limit(NEWEST)
          .pluck(:place)
          .uniq
          .sort

      def orders = Forms::LogForm::ORDERS

      def symptoms =
        [
          ["any", Records::SessionLog::ANY_SYMPTOM],
          *Progression::Symptoms::ALL.map { |symptom, words| [words.capitalize, symptom.to_s] }
        ]

      private

      def row(session)
        rounds = @rounds.fetch(session.id, [])
        held = rounds.filter_map(&:marked_ms)
        Row.new(
          uuid: session.uuid,
          date: Dates.short(session.local_date),
          athlete: session.athlete.name,
          athlete_id: session.athlete_id,
          protocol: session.prescription.name,
          dose: session.to_protocol.in_short(session.to_dose),
          held: held_words(held, rounds.size - held.size),
          breaths: BreathCounts.in_words(rounds),
          effort: session.effort ? Words.number(session.effort) : "–",
          symptoms: Progression::Symptoms.words(session.symptoms.map(&:to_sym)),
          verdict: session.verdict ? VerdictWords::WORDS.fetch(session.verdict.to_sym) : "–",
          how: how(session),
          place: session.place,
          strip: HoldStrip.new(rounds)
        )
      end

      # @return [String] `3:44 in 8`, `8 not marked`
      def held_words(held, unmarked)
        return unmarked.positive? ? "#{unmarked} not marked" : "–" if held.empty?

        "#{Words.clock((held.sum / 1000.0).round)} in #{held.size}"
      end

      # @return [String, nil] where it is not simply a session that was run to its end
      def how(session)
        return "discarded" if session.discarded_at
        return "written in" unless session.written_in.empty?

        [("alone" if session.alone?), ("ended early" if session.state == "stopped")].compact
          .join(", ").presence
      end
    end
  end
end
