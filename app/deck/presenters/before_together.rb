# frozen_string_literal: true

module Windlass
  module Presenters
    # What a press on *Together* would start, by name, before anything is made: whose session, which of several, who was
    # not asked today.
    class BeforeTogether
      Line = Value.define(:athlete, :asked, :sessions)
      Choice = Value.define(:prescription_id, :words, :chosen)

      # @param prescriptions [Array<Records::Prescription>] of whom one or several
      # @param unasked [Array<Records::Athlete>]
      # @param now [Time]
      def initialize(prescriptions, unasked, now:)
        @prescriptions = prescriptions
        @unasked = unasked.map(&:id)
        @today = now.to_date
        @situations = Situations.of(prescriptions.map(&:athlete).uniq, now: now)
      end

      # @return [Array<Line>] an athlete each, by name
      def lines
        @lines ||=
          @prescriptions
            .group_by(&:athlete)
            .sort_by { |athlete, _| athlete.name.downcase }
            .each_with_index
            .map do |(athlete, several), place|
              Line.new(
                athlete: athlete,
                asked: !@unasked.include?(athlete.id),
                sessions: several.each_with_index.map { |one, index| choice(one, chosen: index.zero? && place < most) }
              )
            end
      end

      # @return [Boolean] somebody has more than one session to choose from
      def chooses? = @prescriptions.uniq(&:athlete_id).size < @prescriptions.size

      # @return [Boolean] somebody was not asked today
      def asks? = @unasked.any?

      def most = Windlass::Squad::LANES.max

      private

      def choice(prescription, chosen:)
        Choice.new(
          prescription_id: prescription.id,
          words: [prescription.name, dose(prescription)].compact.join(": "),
          chosen: chosen
        )
      end

      # @return [String, nil] what it would be today; nil where it is not offered, which is then said
      def dose(prescription)
        standing = prescription.to_standing(on: @today, values: @situations.values(prescription.athlete_id)) or return
        standing.protocol.in_short(@situations.ready(prescription.athlete_id, standing).dose)
      end
    end
  end
end
