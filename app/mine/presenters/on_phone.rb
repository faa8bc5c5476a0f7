# frozen_string_literal: true

module Windlass
  module Presenters
    # A set as it lies on a phone, with all that the phone has to know to open it on its own: what is asked, what it
    # waits for, what makes it lighter. In the athlete's words.
    class OnPhone
      # @param rows [Array<Actions::LaySets::Row>]
      # @return [Array<OnPhone>]
      def self.of(rows, athlete, today:)
        done = Records::Session.sets_done(on: today, prescription_id: rows.map { |row| row.set.prescription_id }.uniq)
        asked = athlete.days.exists?(local_date: today)
        rows.map do |row|
          on = row.set.local_date == today
          new(row, rows, athlete, done: on ? done.fetch(row.set.prescription_id, 0) : 0, asked: on && asked)
        end
      end

      def initialize(row, rows, athlete, done:, asked:)
        @row = row
        @rows = rows
        @athlete = athlete
        @done = done
        @asked = asked
      end

      # @return [Hash] for the phone
      def to_plain
        {
          path: path(set), day: set.local_date.iso8601, name: @athlete.name, title: title(set),
          athlete: @athlete.id, prescription: set.prescription_id, training: set.prescription.name,
          sets: set.to_session.to_protocol.sets(set.to_session.to_dose), done: @done, asked: @asked,
          opens: opens, answers: answers, after: Queries::WaitsBetweenSets.of(@row, @rows).map { |wait| plain(wait) },
          light: light
        }.compact
      end

      private

      def set = @row.set

      def path(set) = "/mine/decks/#{set.uuid}"

      def title(set)
        session = set.to_session
        "#{set.prescription.name}, #{session.to_protocol.in_short(session.to_dose)}"
      end

      # @return [Hash, nil] from when on it may be begun, where that is later on its day
      def opens
        waits = @row.ready.reasons.reject(&:go?)
        return if waits.empty?

        {at_s: waits.map(&:opens).max.round, words: MyWords.reasons(waits).join(" ")}
      end

      # @return [Hash{Symbol => Hash}] by answer: whether it may go on, and what is said of it
      def answers =
        Queries::AnswersOnPhone.of(@row.situation, set.washout).transform_values do |reasons|
          {go: reasons.all?(&:go?), words: MyWords.reasons(reasons).join(" ")}
        end

      def plain(wait)
        {**wait.to_plain, words: MyWords.plain(wait.words) || MyWords::ASK}
      end

      def light
        lighter = @row.lighter or return
        {
          at_most_s: lighter.at_most_s, words: MyWords.reasons(lighter.reasons - @row.ready.reasons).join(" "),
          path: lighter.set && path(lighter.set), title: lighter.set && title(lighter.set)
        }.compact
      end
    end
  end
end
