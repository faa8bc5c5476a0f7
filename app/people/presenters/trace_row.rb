# frozen_string_literal: true

module Windlass
  module Presenters
    # A line of the trace, as people read it. It names no athlete: a number says whom it was about.
    TraceRow = Value.define(:id, :at, :who, :words, :whom, :device) do
      # @param entries [Array<Records::TraceEntry>]
      # @return [Array<TraceRow>]
      def self.of(entries)
        names = Records::Person.where(uuid: entries.map(&:person_uuid).uniq).pluck(:uuid, :name).to_h
        entries.map do |entry|
          new(
            id: entry.id,
            at: entry.at.getlocal,
            who: names.fetch(entry.person_uuid) { unnamed(entry) },
            words: Trace.words(entry),
            whom: entry.athlete_id && "athlete #{entry.athlete_id}",
            device: entry.device
          )
        end
      end

      def self.unnamed(entry)
        return "somebody who is gone" unless entry.person_uuid.empty?

        entry.deed.include?(":token") ? "somebody with a link" : "the house"
      end
      private_class_method :unnamed

      # @return [String] `3 Mar 2026, 12:00:00`
      def moment = at.strftime("%-d %b %Y, %H:%M:%S")
    end
  end
end
