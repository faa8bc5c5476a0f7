# frozen_string_literal: true

module Windlass
  module Presenters
    # What the library offers an athlete, and why not; doses for nobody otherwise.
    class LibraryOffer
      # The gas model was asked for its cap.
      SHOWN = BoundedCache.new(2_000)
      private_constant :SHOWN

      # @param athlete [Records::Athlete, nil]
      # @param today [Date]
      def initialize(athlete, today)
        @athlete = athlete
        @today = today
      end

      def measures = @measures ||= @athlete ? @athlete.to_values : Nobody::MEASURES

      def body = @body ||= @athlete ? @athlete.to_body(on: @today) : Nobody::BODY

      # @return [Hash] of a {Library::Entry}: a dose as it stands on the shelf, and its line
      def shown(protocol) = SHOWN.fetch([protocol.id, starting_dose(protocol), body]) { show(protocol) }

      # @param from [Hash, nil] a dose in place of the family's own
      # @return [String, nil] why the athlete is not offered it; nil for nobody
      def objection(protocol, from = nil)
        return if @athlete.nil?

        refused =
          protocol
            .columns(from || starting_dose(protocol))
            .map { |column| screen.finding(column, on: @today) }
            .find { |one| !one.allows? }
        return refused.reasons.join(" ") if refused
        unless protocol.for_disciplines?(@athlete.disciplines)
          return "Only for those whose sport asks for it: #{Words.list(protocol.disciplines)}."
        end

        Queries::Offer.objection(@athlete, protocol, on: @today, values: measures, from: from)
      end

      # @return [Hash{String => Records::Prescription}] by protocol
      def running = @running ||= @athlete ? @athlete.prescriptions.open.index_by(&:protocol) : {}

      def prescribed = @prescribed ||= running.values.reject(&:quiet?).map(&:protocol)

      private

      def show(protocol)
        fitted = protocol.fitted(starting_dose(protocol), body)
        timeline = protocol.compile(fitted, body)
        {
          dose: protocol.in_words(fitted),
          line: Miniature.new(timeline, body),
          numbers: [
            Words.length(timeline.total_ms / 1000),
            *("#{Words.length(timeline.hold_ms / 1000)} held" if timeline.holds.any?)
          ].join(", ")
        }
      end

      def starting_dose(protocol) = protocol.start(measures) || protocol.start(Nobody::MEASURES)

      def screen = @screen ||= @athlete.to_screen(on: @today)
    end
  end
end
