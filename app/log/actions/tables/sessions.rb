# frozen_string_literal: true

module Windlass
  module Actions
    module Tables
      # Sessions of a table are written into what is, or was, prescribed.
      class Sessions
        # @param ids [Array<Integer>] of sessions that came in
        # @param progress [Imports::Progress]
        def self.judge(ids, now:, progress:)
          progress.begin("Judging", ids.size)
          Records::Session
            .where(id: ids)
            .includes(:athlete, :prescription, :rounds)
            .group_by(&:prescription_id)
            .each_value do |sessions|
              PastSession.close(sessions, now)
              progress.step(sessions.size)
            end
        end

        def initialize(now)
          @now = now
          @entries = []
          @sessions = []
        end

        # @param row [Formats::NotebookCsv::Row]
        # @param athlete [Records::Athlete]
        # @return [Hash] of a {ReadTable::Row}
        def row(row, athlete)
          found = prescription(row, athlete)
          return {state: :wrong, what: row.protocol, words: found} if found.is_a?(String)

          known =
            !row.kept || there(found).include?(row.id) ||
            there(found).include?([row.entry.date, PastSession.mark(row.entry)])
          {
            state: known ? :known : :new,
            what: found.name,
            day: row.entry.date,
            amount: Words.count(row.entry.rounds.size, "hold"),
            keep: -> { @entries << [found, row.entry] }
          }
        end

        # @param progress [Imports::Progress]
        def write(progress)
          @unseen =
            Records::Unseen.new(Records::Session, {athlete_id: @entries.map { |found, _| found.athlete_id }.uniq})
          @unseen.sweep
          once = @entries.uniq { |found, entry| [found.id, entry.date, PastSession.mark(entry)] }
          progress.begin("Writing", once.size)
          ground = PastSession::Ground.new(@now)
          once.each do |found, entry|
            @sessions << PastSession.keep(found, entry, @now, ground: ground, discarded_at: @unseen.stamp)
            progress.step
          end
        end

        # Inside of a transaction.
        # @return [Array<Integer>] ids of what is to be judged
        def show
          @unseen.show
          @sessions.each { |session| PastSession.act(session, @now) }.map(&:id)
        end

        def clear = @unseen&.clear

        private

        # @return [Set] what it has already: names of its sessions, and days with the marks of what was written in
        def there(prescription)
          (@there ||= {})[prescription.id] ||= prescription
            .sessions
            .seen
            .pluck(:uuid, :local_date, :written_in)
            .flat_map { |uuid, *written| [uuid, written] }
            .to_set
        end

        # @return [Records::Prescription, String] what it is written into, or why there is none
        def prescription(row, athlete)
          all = athlete.prescriptions.to_a
          fitting =
            if row.protocol.empty?
              all.reject { |one| one.state == "ended" }
            else
              all.select { |one| [one.name.downcase, one.protocol].include?(row.protocol.downcase) }
            end
          return fitting.first if fitting.size == 1

          "column protocol: “#{row.protocol}” is #{fitting.empty? ? "not" : "more than once"} prescribed to " \
          "#{athlete.name}; #{all.empty? ? "nothing is" : "there are #{Words.list(all.map(&:name).uniq)}"}"
        end
      end
    end
  end
end
