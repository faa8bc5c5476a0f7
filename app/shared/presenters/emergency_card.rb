# frozen_string_literal: true

module Windlass
  module Presenters
    # What the emergency card says, and what was noted on one.
    class EmergencyCard
      Note = Value.define(:at, :words)

      # @param place [Emergency::Place]
      def initialize(place)
        @place = place
      end

      def number = @place.number

      # @return [String] what a telephone dials: the trunk zero in brackets is not dialled after a country's own number
      def dialled = "tel:#{(number.start_with?("+") ? number.sub("(0)", "") : number).gsub(/[^+0-9]/, "")}"

      def missing = @place.missing

      def lines = @place.lines

      # @return [Array<Array(String, Array<String>)>] where it happened, and what to do, one instruction a line
      def columns = [["Dry", Emergency::DRY], ["In water", Emergency::IN_WATER]]

      # @param events [Array<Timeline::Event>] of {Timeline::EMERGENCY_KINDS}
      # @return [Array<Note>] minutes and seconds since the card was opened, in order; one that was opened twice begins
      #   anew
      def self.notes(events)
        opened = 0
        events
          .sort_by(&:at_ms)
          .map do |event|
            opened = event.at_ms if event.kind == :emergency
            Note.new(
              at: Words.clock((event.at_ms - opened) / 1000),
              words: (event.kind == :emergency) ? "emergency card opened" : Emergency::NOTES.fetch(event.value)
            )
          end
      end
    end
  end
end
