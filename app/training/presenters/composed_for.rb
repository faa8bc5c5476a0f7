# frozen_string_literal: true

module Windlass
  module Presenters
    # What a composed dose meets when it is prescribed to an athlete: a ladder that it ends, what bars it, what it waits
    # for. Of nobody, or of a dose that is not valid, nothing is known.
    class ComposedFor
      # @param athlete [Records::Athlete, nil]
      # @param form [Forms::Composed] of that dose
      # @param dose [Hash, nil] with what the gas model sets of it; nil where it is not valid
      # @param today [Date]
      def initialize(athlete, form, dose, today)
        @athlete = athlete if dose
        @form = form
        @protocol = form.protocol
        @dose = dose
        @today = today
      end

      # @return [Records::Prescription, nil] of the same family, that runs: prescribing ends it
      def running
        return if @athlete.nil?
        return @running if defined?(@running)

        found = @athlete.prescriptions.open.find_by(protocol: @protocol.named(nil).id)
        @running = (found unless found && found.own_name.nil? && Records::Record.dose(found.own_dose) == @form.dose)
      end

      # @return [String] `ends small holds, rung 3 of 8, since 12 October 2026`
      def ends_words
        place = Queries::Offer.place_words(running, Time.new(@today.year, @today.month, @today.day))
        ["ends #{running.name.downcase}", *place].join(", ")
      end

      # @return [String, nil] why it is not for this athlete at all
      def barred = (Queries::Offer.barred(@athlete, @protocol, @dose, on: @today) if @athlete)

      # @return [String, nil] what has to come first: a screening, a clearance, a consent
      def waits_for
        return if @athlete.nil? || barred

        lifts = found.reject(&:allows?).map(&:lifts)
        "It can be prescribed, and waits: #{Words.list(lifts.uniq).sub(/\A./, &:downcase)}" if lifts.any?
      end

      # @return [Array<String>] what the screening says of it
      def screening = @athlete ? found.reject { |one| one.state == :open }.flat_map(&:reasons).uniq : []

      private

      # @return [Array<Screening::Finding>] of the columns that the dose falls under
      def found
        screen = @athlete.to_screen(on: @today)
        @protocol.columns(@dose).map { |column| screen.finding(column, on: @today) }
      end
    end
  end
end
