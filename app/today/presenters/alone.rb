# frozen_string_literal: true

require "digest"

module Windlass
  module Presenters
    # Who trains alone, on a phone of their own: what they told, what they did, and who did nothing for days.
    class Alone
      # Today and yesterday.
      DAYS = 2
      # Who did nothing for longer than this is named, and looked for so far back.
      ABSENT_DAYS = 3
      LOOKED_BACK_DAYS = 30
      MOST = 24

      Told = Value.define(:uuid, :name, :athlete_id, :words, :note)
      # caution: what the phone did not know of when it was begun.
      Done = Value.define(:path, :name, :words, :caution)
      Absent = Value.define(:name, :athlete_id, :words)
      # Whoever left by themselves is named so many days.
      LEFT_DAYS = 3
      LEFT = "POST /mine/leave"

      # @param account [Sight]
      def initialize(account, now:)
        @account = account
        @now = now
        @today = now.to_date
      end

      # @return [String] another where anything of it is
      def version = Digest::SHA256.hexdigest([told, left, done, absent].inspect)[0, 20]

      # @return [Boolean] something was told by themselves
      def told_of? = told.any? || left.any?

      def any? = done.any? || absent.any?

      # @return [Array<Told>] what nobody has seen yet, the newest first
      def told
        @told ||=
          @account.of(Records::Complaint).unseen.includes(:athlete).order(told_at: :desc).limit(MOST).map do |one|
            Told.new(
              uuid: one.uuid, name: one.athlete.name, athlete_id: one.athlete_id, note: one.note,
              words: "#{one.in_words}, #{Dates.near(one.local_date, @today)}"
            )
          end
      end

      # @return [Array<Absent>] who left by themselves; what they trained in a group goes on without them
      def left
        @left ||=
          @account.athletes.where.not(left_on: nil).where(
            id: Records::TraceEntry.where(deed: LEFT, at: (@now - LEFT_DAYS * 86_400)..).select(:athlete_id)
          ).by_name.map do |one|
            Absent.new(name: one.name, athlete_id: one.id, words: "on #{Dates.short(one.left_on)}")
          end
      end

      # @return [Array<Done>] sets that somebody did alone, the newest first
      def done
        @done ||=
          @account.of(Records::Session).run.kept.alone
            .where(local_date: (@today - DAYS + 1)..@today, athlete_id: @account.active_athletes.select(:id))
            .includes(:athlete, :prescription)
            .order(started_at: :desc).limit(MOST)
            .map { |one| row(one) }
      end

      # @return [Array<Absent>] whose phone is bound, and who trained nothing for days
      def absent
        @absent ||=
          @account.active_athletes.by_name
            .where(id: Records::Device.bound.where(bound_at: ..(@now - ABSENT_DAYS * 86_400)).select(:athlete_id))
            .where(id: Records::Prescription.open.select(:athlete_id))
            .pluck(:id, :name).filter_map { |id, name| absence(id, name) }.first(MOST)
      end

      private

      def row(session)
        Done.new(
          path: "/sessions/#{session.uuid}", name: session.athlete.name, words: words(session), caution: session.caution
        )
      end

      def words(session)
        [
          session.prescription.name,
          session.started_at&.getlocal&.strftime((session.local_date == @today) ? "%H:%M" : "yesterday, %H:%M"),
          ("on the deck" unless session.over?),
          session.effort&.then { |effort| "effort #{Words.number(effort)}" },
          Progression::Symptoms.words(session.symptoms.map(&:to_sym)).presence
        ].compact.join(" · ")
      end

      def absence(id, name)
        last = newest[id]
        return if last && last > @today - ABSENT_DAYS

        Absent.new(name: name, athlete_id: id, words: last ? "since #{Dates.short(last)}" : "for more than a month")
      end

      # @return [Hash{Integer => Date}]
      def newest
        @newest ||=
          @account.of(Records::Session).run.kept
            .where(local_date: (@today - LOOKED_BACK_DAYS)..@today)
            .where(athlete_id: Records::Device.bound.select(:athlete_id))
            .group(:athlete_id).maximum(:local_date)
      end
    end
  end
end
