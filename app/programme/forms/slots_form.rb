# frozen_string_literal: true

module Windlass
  module Forms
    # Times of the week, a row each: a day, when, how many minutes, where.
    class SlotsForm < Form
      MINUTES = (1..600)
      MOST_SLOTS = 21

      class Rules < Contract
        params {}
      end
      RULES = Rules

      def initialize(params, contract, **)
        super
        @slots = []
        read_slots if contract
      end

      # @return [Array<Hash>] columns of each
      attr_reader :slots

      # @return [Array<Hash>] rows as they were typed, and some to go on with
      def rows(more = 2)
        given = typed_at(:slots).then { |rows| rows.is_a?(Hash) ? rows.values.grep(Hash) : [] }
        given.reject { |row| text_of(row["at"]).empty? && text_of(row["minutes"]).empty? } + Array.new(more) { {} }
      end

      # @param slots [Enumerable<Records::Slot>]
      # @param besides [Hash] other fields
      def self.from(slots, **besides)
        blank(
          slots:
            slots.each_with_index.to_h do |slot, index|
              [
                index.to_s,
                {
                  "day" => slot.day.to_s,
                  "at" => slot.to_core.at,
                  "minutes" => slot.minutes.to_s,
                  "place" => slot.place
                }
              ]
            end,
          **besides
        )
      end

      private

      def text_of(value) = value.is_a?(String) ? value.strip : ""

      def read_slots
        rows(0).first(MOST_SLOTS).each_with_index { |row, index| read(row, "slots[#{index}]") }
        @slots.sort_by! { |slot| slot.values_at(:day, :at_min) }
        overlapping =
          @slots
            .each_cons(2)
            .find { |one, other| one[:day] == other[:day] && one[:at_min] + one[:minutes] > other[:at_min] }
        if overlapping
          errors[
            "slots"
          ] = "two times on #{WeekTime::DAYS[overlapping.first[:day] - 1]} overlap; allowed: one after the other"
        end
      end

      def read(row, place)
        at = WeekTime.minutes(text_of(row["at"]))
        minutes = Integer(text_of(row["minutes"]), 10, exception: false)
        errors["#{place}[at]"] = "“#{row["at"]}” is no time of day; write 07:00 or 0700" unless at
        unless minutes &&
            MINUTES.cover?(minutes)
          errors[
            "#{place}[minutes]"
          ] = "#{row["minutes"].to_s.empty? ? "nothing" : row["minutes"]} is not allowed; allowed: #{MINUTES.min} " \
            "to #{MINUTES.max} minutes"
        end
        day = Integer(text_of(row["day"]), 10, exception: false)
        errors["#{place}[day]"] = "choose a day" unless day && (1..7).cover?(day)
        if at && minutes && MINUTES.cover?(minutes) && day && (1..7).cover?(day)
          @slots << {
            day: day,
            at_min: at,
            minutes: minutes,
            place: Protocols::PLACES.key?(text_of(row["place"]).to_sym) ? row["place"] : ""
          }
        end
      end
    end
  end
end
