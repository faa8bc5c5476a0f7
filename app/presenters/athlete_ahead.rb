# frozen_string_literal: true

module Windlass
  module Presenters
    # What comes next with one athlete, most pressing first: what Today says of them, and what is planned.
    class AthleteAhead
      Line = Value.define(:words, :path, :action)

      # @param ground [Desk::Ground] of this athlete alone
      def initialize(ground)
        @ground = ground
      end

      # @return [Array<Line>]
      def lines = decisions + told(Desk::FirstSteps) + told(Desk::Missing) + score + told(Desk::Changes) + planned

      private

      def decisions = Desk::Decisions.new(@ground).rows.map { |row| Line.new(words: "#{row.protocol}, #{row.when}: #{VerdictPanel::WORDS.fetch(row.verdict).downcase}?", path: "/sessions/#{row.uuid}", action: "Decide") }

      def told(part) = part.new(@ground).rows.map { |row| Line.new(words: row.words, path: row.path, action: row.action) }

      def score = Desk::Scores.new(@ground).missing.map { |athlete| Line.new(words: "no morning score yet", path: "/athletes/#{athlete.id}/control-pauses/new", action: "Control pause") }

      # The next sessions that a programme plans: those of the first day that has some.
      def planned
        ahead = Records::PlannedSession.where(athlete_id: @ground.by_id.keys, local_date: @ground.today..).joins(:programme).merge(Records::Programme.open).includes(:prescription).order(:local_date, :at).to_a
        done = Done.new(@ground.by_id.keys, @ground.today..@ground.today)
        open = ahead.reject { |one| one.local_date == @ground.today && done.done?(one) }
        open.take_while { |one| one.local_date == open.first.local_date }.map do |one|
          Line.new(words: "#{Dates.opening(one.local_date, @ground.today)}, #{one.at}: #{one.name.downcase}", path: "/planned/#{one.id}", action: "Planned")
        end
      end
    end
  end
end
