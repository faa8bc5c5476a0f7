# frozen_string_literal: true

module Windlass
  module Cli
    # `judge [FILE]`: a session among those before it in, the verdict with its reasons out. rung is where it leads; null
    # is quiet breathing and a new measure.
    module Judge
      NAME = "judge"
      USAGE = "judge [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] JSON
      # @param today [Date] later sessions are refused
      # @return [Hash] plain JSON values
      # @raise [InvalidInput]
      def self.call(text, _options, today: Date.today)
        data = Formats::JsonInput.of("judge.schema.json").read(text)
        standing = Formats::Parts.standing(data, Formats::Parts.ladder(data))
        dose = data.key?("dose") ? Formats::Parts.dose(data, standing.protocol) : standing.dose
        standing = standing.with(dose: dose)
        session =
          Formats::Parts.session(
            data.fetch("session"),
            "session",
            "session",
            protocol: standing.protocol.id,
            dose: dose
          )
        refuse_future(session, today)
        history = Formats::Parts.history(data, standing.protocol.id, {standing.protocol.id => standing.ladder})
        session, history = days(session, history)
        answer(
          Progression::Judge.judge(
            session,
            history: history,
            standing: standing,
            mornings: Formats::SituationReader.mornings(data)
          )
        )
      end

      # Where a day is several sets, those of one day and one dose are one session.
      # @return [Array(Progression::Session, Array<Progression::Session>)]
      def self.days(session, history)
        return session, history unless Windlass::Protocols.find(session.protocol).several_sets?

        same, others = history.partition { |past| past.protocol == session.protocol && !past.dose.nil? }
        today, before =
          same
            .reject { |past| past.id == session.id }
            .partition { |past| past.date == session.date && past.dose == session.dose }
        merged = before.group_by { |past| [past.date, past.dose] }.values.map { |sets| one_day(sets) }
        [one_day([*today, session]), merged + others]
      end

      def self.one_day(sets)
        in_order = sets.uniq(&:id).sort_by(&:place_in_time)
        Progression::Session.of_day(in_order).with(id: sets.last.id, rounds_planned: sets.map(&:rounds_planned).max)
      end

      def self.refuse_future(session, today)
        return if session.date <= today

        raise InvalidInput, ["session.date: \"#{session.date}\" is not allowed; allowed: up to today, #{today}"]
      end

      def self.answer(verdict)
        {
          verdict: verdict.verdict,
          rung: verdict.target&.rung,
          reduced: verdict.target&.reduced || nil,
          clean: verdict.clean,
          resting_until: verdict.resting_until,
          reasons: verdict.reasons.map { |reason| reason.to_h.slice(:rule, :text) }
        }.reject { |key, value| %i[reduced resting_until].include?(key) && value.nil? }
      end
      private_class_method :days, :one_day, :refuse_future, :answer
    end
  end
end
