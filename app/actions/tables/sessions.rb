# frozen_string_literal: true

module Windlass
  module Actions
    module Tables
      # Sessions of a table are written into what is, or was, prescribed.
      class Sessions
        def initialize(now)
          @now = now
          @written = Hash.new { |all, prescription| all[prescription] = [] }
          @finish = -> { @written.each { |prescription, entries| WriteIn.call(prescription, entries, now: @now) } }
        end

        # @param row [Formats::NotebookCsv::Row]
        # @param athlete [Records::Athlete]
        # @return [Hash] of a {ReadTable::Row}
        def row(row, athlete)
          found = prescription(row, athlete)
          return {state: :wrong, what: row.protocol, words: found} if found.is_a?(String)

          known = !row.kept || there(found).include?(row.id) || there(found).include?([row.entry.date, WriteIn.mark(row.entry)])
          {state: known ? :known : :new, what: found.name, day: row.entry.date, amount: Words.count(row.entry.rounds.size, "hold"), keep: -> { @written[found] << row.entry }, finish: @finish}
        end

        private

        # @return [Set] what it has already: names of its sessions, and days with the marks of what was written in
        def there(prescription)
          (@there ||= {})[prescription.id] ||= prescription.sessions.pluck(:uuid, :local_date, :written_in).flat_map { |uuid, *written| [uuid, written] }.to_set
        end

        # @return [Records::Prescription, String] what it is written into, or why there is none
        def prescription(row, athlete)
          all = athlete.prescriptions.to_a
          fitting = row.protocol.empty? ? all.reject { |one| one.state == "ended" } : all.select { |one| [one.name.downcase, one.protocol].include?(row.protocol.downcase) }
          return fitting.first if fitting.size == 1

          "column protocol: “#{row.protocol}” is #{fitting.empty? ? "not" : "more than once"} prescribed to #{athlete.name}; #{all.empty? ? "nothing is" : "there are #{Words.list(all.map(&:name).uniq)}"}"
        end
      end
    end
  end
end
