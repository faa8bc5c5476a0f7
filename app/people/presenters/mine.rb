# frozen_string_literal: true

module Windlass
  module Presenters
    # What an athlete sees of themselves: what is to be trained, and what was done with what is theirs.
    class Mine
      # Of the trace so many are shown.
      LINES = 30

      attr_reader :person

      # @param account [Sight] what is theirs
      def initialize(account, person, now:)
        @account = account
        @person = person
        @now = now
      end

      # @return [Array<Records::Athlete>] one; of siblings on one phone each has a sign-in of their own
      def athletes = @athletes ||= @account.active_athletes.by_name.to_a

      # @return [Array<Array(String, String)>] what is to be trained, and the dose in words
      def trainings
        athletes.flat_map do |athlete|
          athlete.prescriptions.open.map do |one|
            standing = one.quiet? ? nil : one.to_standing(on: @now.to_date)
            [one.name, standing ? one.to_protocol.in_words(standing.dose) : "waits: your coach takes a measure first"]
          end
        end
      end

      # @return [ConsentPage]
      def consent_of(athlete) = ConsentPage.new(athlete, form: Forms::ConsentForm.blank, now: @now)

      # @return [EmergencyCard]
      def emergency_card = EmergencyCard.new(@account.place)

      # @return [Array<TraceRow>] who did what with what is theirs, newest first
      def trace =
        TraceRow.of(Records::TraceEntry.where(athlete_id: athletes.map(&:id)).order(id: :desc).limit(LINES).to_a)
    end
  end
end
