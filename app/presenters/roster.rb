# frozen_string_literal: true

module Windlass
  module Presenters
    # All athletes, one line each.
    class Roster
      Row = Value.define(:name, :athlete_id, :about, :control_pause, :standing)

      def initialize(account, today:)
        @athletes = account.athletes.by_name.includes(:prescriptions, :suspensions).to_a
        @today = today
        @newest = Records::Measure.newest_control_pauses(@athletes.map(&:id))
      end

      def empty? = @athletes.empty?

      def rows
        @athletes.map do |athlete|
          Row.new(name: athlete.name, athlete_id: athlete.id, standing: standing(athlete),
            about: [athlete.age_on(@today), *athlete.disciplines].join(", "),
            control_pause: @newest[athlete.id] ? Words.seconds(@newest[athlete.id]) : "–")
        end
      end

      private

      def standing(athlete)
        bound = athlete.suspension_on(@today)
        return bound.stop? ? "Stopped, awaiting clearance" : bound.reason if bound

        open = athlete.prescriptions.reject { |prescription| prescription.state == "ended" }
        return "No prescription" if open.empty?

        open.map { |prescription| words(prescription, athlete) }.join("; ")
      end

      def words(prescription, athlete)
        return "#{prescription.to_protocol.name}: quiet breathing until a new measure" if prescription.quiet?

        standing = prescription.to_standing(athlete.to_values(@newest[athlete.id]))
        standing ? "#{prescription.to_protocol.name}, #{LadderLine.new(standing).place.downcase}" : "Needs a measure"
      end
    end
  end
end
