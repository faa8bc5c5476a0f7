# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # The log: what was done, by anybody, newest first.
    class LogPage
      extend Forwardable

      Row =
        Value.define(
          :uuid, :date, :athlete, :athlete_id, :protocol, :dose, :held, :breaths, :effort, :symptoms, :verdict, :how,
          :place, :strip
        )

      attr_reader :form

      # @param account [Records::Account]
      # @param form [Forms::LogForm]
      def initialize(account, form)
        @form = form
        found = Records::SessionLog.new(account, form).page.includes(:athlete, :prescription).to_a
        @sessions = found.first(Records::SessionLog::PAGE)
        @more = found.size > @sessions.size
        @filter = LogFilter.new(account, form)
        @rounds = Records::Round.outcomes(@sessions.map(&:id))
      end

      def_delegators :@filter, :filtered, :athletes, :protocols, :verdicts, :places, :orders, :symptoms

      # @return [Array<Row>]
      def rows = @sessions.map { |session| row(session) }

      def empty? = @sessions.empty?

      # @return [String, nil] what leads to the next page
      def further =
        if @more
          form.query(after: [@sessions.last.local_date, @sessions.last.id, @sessions.last.effort].compact.join("~"))
        end

      # @return [Boolean] not the first page
      def later? = !form.after.nil?

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
