# frozen_string_literal: true

module Windlass
  module Presenters
    # What a clinician is asked, on a page of its own: what was seen, what the person wants to do, and for which kinds
    # of work a word is needed.
    class LetterPage
      attr_reader :letter, :form

      # @param letter [Records::Letter]
      # @param form [Forms::ScreeningClearanceForm] as it was filled in
      def initialize(letter, form, today:)
        @letter = letter
        @form = form
        @today = today
      end

      def athlete = letter.athlete

      # @return [String] `Ines Aldaya, born on 1 April 1995, trains breath holding with a coach: freediving.`
      def who =
        "#{athlete.name}, born on #{Words.date(athlete.born_on)}, trains breath holding with a coach: " \
          "#{Words.list(athlete.disciplines)}."

      # @return [Array<String>] stops that stand, and what was answered with yes
      def seen
        stops = athlete.suspensions.select { |one| one.stop? && one.lifted_at.nil? }
        stops.map { |stop| "#{Words.date(stop.opened_at.getlocal.to_date)}: #{stop.reason}" } + conditions
      end

      # @return [Array<String>] what is prescribed
      def wanted
        athlete.prescriptions.open.map do |one|
          "#{one.name}: #{one.to_protocol.in_words(Records::Record.dose(one.dose))}"
        end
      end

      # @return [Array<Array(String, String)>] kinds of work, by their keys
      def columns = Screening::MATRIX.columns.map { |key, words| [key.to_s, words] }

      private

      def conditions
        newest = athlete.newest_screening
        return ["What was answered in the screening can not be read just now."] if newest && !newest.readable?

        answered = newest&.conditions.to_a.map(&:to_sym)
        Screening::MATRIX.conditions.select { |one| answered.include?(one.id) }.map(&:question)
      end
    end
  end
end
