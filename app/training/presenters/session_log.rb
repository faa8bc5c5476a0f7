# frozen_string_literal: true

module Windlass
  module Presenters
    # The log of an athlete: a line a day and protocol, newest first.
    class SessionLog
      Line = Value.define(:date, :uuid, :words, :sets, :breaths, :urge, :effort, :verdict)

      # @param sessions [Array<Records::Session>] run
      # @param moves [Array<Records::Move>]
      # @param outcomes [Hash{Integer => Array<Records::Round::Outcome>}] of their rounds, by session
      # @param false_starts [Array<Integer>] sessions that are no sets
      # @param most [Integer] lines
      def initialize(sessions, moves, outcomes, false_starts: [], most: sessions.size)
        @most = most
        @sessions = sessions
        @outcomes = outcomes
        @false_starts = false_starts.to_set
        @moves = moves.index_by { |move| [move.prescription_id, move.local_date] }
      end

      def lines = days.last(@most).map { |sets| line(sets) }.reverse

      private

      def days = @sessions.group_by { |session| [session.prescription_id, session.local_date] }.values

      def real(sets) = sets.reject { |set| @false_starts.include?(set.id) }

      def rounds(sessions) = sessions.flat_map { |session| @outcomes.fetch(session.id, []) }

      def line(sets)
        newest = sets.last
        rounds = rounds(sets)
        Line.new(
          date: Dates.short(newest.local_date),
          uuid: newest.uuid,
          words: newest.to_protocol.in_short(newest.to_dose),
          sets: "#{real(sets).size} of #{newest.to_protocol.sets(newest.to_dose)}",
          breaths: BreathCounts.in_words(rounds),
          urge: urge(sets, rounds),
          effort: sets.filter_map(&:effort).max&.then { |effort| Words.number(effort) } || "–",
          verdict: verdict(@moves[[newest.prescription_id, newest.local_date]], real(sets))
        )
      end

      def urge(sets, rounds)
        marked = Trends.median(rounds.filter_map(&:first_urge_ms))
        forecast = Trends.median(sets.filter_map(&:forecast).flatten.filter_map { |hold| hold["urge_s"] })
        "#{marked ? Words.seconds(marked / 1000.0) : "–"} / #{ForecastWords.seconds(forecast)}"
      end

      def verdict(move, real)
        return real.empty? ? "a false start" : "to decide" if move.nil?

        move.overruled? ? "#{move.decided} (proposed: #{move.verdict})" : move.decided
      end
    end
  end
end
