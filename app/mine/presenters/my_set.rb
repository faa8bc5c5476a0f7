# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # A set of today, in the words of whoever is to do it.
    class MySet
      extend Forwardable

      # @return [String, nil] when it is planned: `07:00`
      attr_reader :at

      # @param sheet [PrescriptionSheet]
      # @param athlete [Records::Athlete]
      def initialize(sheet, athlete, now:, at: nil)
        @sheet = sheet
        @athlete = athlete
        @now = now
        @at = at
      end

      def_delegators :@sheet, :id, :name, :questions, :day, :notes, :miniature, :care?

      # A session of many blocks is said in short: the deck tells the rest.
      LONGEST_WORDS = 70

      # @return [String] the dose, as it is read at a glance
      def dose = (@sheet.dose.length > LONGEST_WORDS) ? short : @sheet.dose

      # @return [String]
      def short = @sheet.protocol.in_short(@sheet.dose_today)

      # @return [Boolean] there is something to be done, and it may be done now, but for what is asked first
      def now? = !hindered? && !done? && @sheet.askable?

      # @return [Boolean] all of today's are done
      def done? = !hindered? && @sheet.sets_done >= sets

      # @return [String] `Set 2 of 3 · 6 minutes · lying`
      def about = [(@sheet.set unless sets == 1), @sheet.length, @sheet.held, @sheet.posture].compact.join(" · ")

      # @return [String, nil] why not now
      def waits
        return "Waits for a new measure." if hindered?
        return "Done for today." if done?

        objections.join(" ") unless @sheet.ready.go?
      end

      # @return [Array<String>] what is to be minded, and what may stand in the way
      def minded = hindered? ? [] : @sheet.cautions + objections

      # @return [Boolean] somebody has to be beside
      def watched? = @sheet.protocol.watched? || care?

      # @return [Boolean] they said today how they are
      def asked? = !day.new_record?

      private

      def hindered? = !@sheet.hindrance.nil?

      def sets = @sheet.protocol.sets(@sheet.dose_today)

      def objections = MyWords.reasons(@sheet.reasons.reject(&:go?))
    end
  end
end
