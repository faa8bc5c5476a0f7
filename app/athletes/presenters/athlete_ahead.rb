# frozen_string_literal: true

module Windlass
  module Presenters
    # What comes next with one athlete, most pressing first: what Today says of them, and what is planned.
    class AthleteAhead
      Line = Value.define(:words, :path, :action)

      # @param athlete [Records::Athlete]
      # @param now [Time]
      def initialize(athlete, now:)
        @athlete = athlete
        @today = now.to_date
        @desk = Desk::Entries.new(athlete.account, athlete.class.where(id: athlete.id), now: now)
      end

      # @return [Array<Line>]
      def lines = decisions + told(:steps) + told(:missing) + score + told(:changes) + planned

      private

      def decisions =
        @desk
          .all(:decisions)
          .map do |row|
            Line.new(
              words: "#{row.protocol}, #{row.when}: #{VerdictWords::WORDS.fetch(row.verdict).downcase}?",
              path: "/sessions/#{row.uuid}",
              action: "Decide"
            )
          end

      def told(list) = @desk.all(list).map { |row| Line.new(words: row.words, path: row.path, action: row.action) }

      def score =
        @desk.unscored.map do |id, _|
          Line.new(words: "no morning score yet", path: "/athletes/#{id}/control-pauses/new", action: "Control pause")
        end

      # The next sessions that a programme plans: those of the first day that has some to do.
      def planned
        today, later = today_and_the_next_day.partition { |one| one.local_date == @today }
        done = Done.new([@athlete.id], @today..@today) if today.any?
        (today.reject { |one| done.done?(one) }.presence || later).map do |one|
          Line.new(
            words: "#{Dates.opening(one.local_date, @today)}, #{one.at}: #{one.name.downcase}",
            path: "/planned/#{one.uuid}",
            action: "Planned"
          )
        end
      end

      def today_and_the_next_day
        next_day = sessions.where(local_date: (@today + 1)..).reorder(nil).select("MIN(planned_sessions.local_date)")
        sessions.where(local_date: @today).or(sessions.where(local_date: next_day)).to_a
      end

      def sessions =
        Records::PlannedSession
          .where(athlete_id: @athlete.id)
          .joins(:programme)
          .merge(Records::Programme.open)
          .preload(:prescription)
          .in_order
    end
  end
end
