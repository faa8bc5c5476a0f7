# frozen_string_literal: true

module Windlass
  module Presenters
    # All athletes, one line each.
    class Roster
      Row = Value.define(:name, :athlete_id, :about, :control_pause, :maximal_hold, :standing)

      attr_reader :search

      # @param search [String] part of a name or of a discipline; empty: everybody
      def initialize(account, today:, search: "")
        @search = search
        found = account.athletes.by_name
        found = found.where("name LIKE :part ESCAPE '\\' OR disciplines LIKE :part ESCAPE '\\'", part: "%#{Records::Athlete.sanitize_sql_like(search)}%") unless search.empty?
        @athletes = found.includes(:suspensions, :screenings, :clearances, prescriptions: :athlete).to_a
        @today = today
        @values = Records::Measure.newest_values(@athletes)
      end

      def empty? = @athletes.empty?

      def none_words = @search.empty? ? "No athletes yet." : "Nobody has “#{@search}” in the name or among the disciplines."

      def rows
        @athletes.map do |athlete|
          Row.new(name: athlete.name, athlete_id: athlete.id, standing: standing(athlete),
            about: [athlete.age_on(@today), *athlete.disciplines].join(", "),
            control_pause: seconds(athlete, :control_pause_s), maximal_hold: seconds(athlete, :maximal_hold_s))
        end
      end

      private

      def seconds(athlete, measure) = @values.fetch(athlete.id)[measure]&.then { |value| Words.hold(value) } || "–"

      def standing(athlete)
        bound = athlete.suspension_on(@today)
        return bound.stop? ? "Stopped, awaiting clearance" : bound.reason if bound

        open = athlete.prescriptions.reject { |prescription| prescription.state == "ended" }
        return "No prescription" if open.empty?

        open.map { |prescription| words(prescription, athlete) }.join("; ")
      end

      def words(prescription, athlete)
        return "#{prescription.name}: quiet breathing until a new measure" if prescription.quiet?

        standing = prescription.to_standing(on: @today, values: @values.fetch(athlete.id))
        standing ? "#{prescription.name}, #{LadderLine.new(standing).place.downcase}" : "#{prescription.name}: not offered by the measures"
      end
    end
  end
end
