# frozen_string_literal: true

module Windlass
  module Presenters
    # The trace, newest first: who did what to whom, when, from which device.
    class TracePage
      PAGE = 100

      Row = Value.define(:id, :at, :who, :words, :whom, :device)

      # @param before [String] number of the last line of the page before
      # @param athlete [Records::Athlete, nil] of whom alone
      def initialize(house, before: "", athlete: nil)
        @house = house
        @before = Integer(before, 10, exception: false)
        @athlete = athlete
      end

      # @return [Array<Row>]
      def rows = @rows ||= entries.map { |entry| row(entry) }

      # @return [Integer, nil] where the next page begins
      def further = (rows.last.id if rows.size == PAGE)

      private

      def entries
        found = Records::TraceEntry.order(id: :desc).limit(PAGE)
        found = found.where(athlete_id: @athlete.id) if @athlete
        @entries ||= (@before ? found.where(id: ...@before) : found).to_a
      end

      def unnamed(entry)
        return "somebody who is gone" unless entry.person_uuid.empty?

        entry.deed.include?(":token") ? "somebody with a link" : "the house"
      end

      def people = @people ||= Records::Person.where(uuid: entries.map(&:person_uuid).uniq).pluck(:uuid, :name).to_h

      # Keepers see no athlete's name by it: a number says whom it was about.
      def row(entry)
        Row.new(
          id: entry.id,
          at: entry.at.getlocal.strftime("%-d %b %Y, %H:%M:%S"),
          who: people.fetch(entry.person_uuid) { unnamed(entry) },
          words: Trace.words(entry),
          whom: entry.athlete_id && "athlete #{entry.athlete_id}",
          device: entry.device
        )
      end
    end
  end
end
