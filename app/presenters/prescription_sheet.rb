# frozen_string_literal: true

module Windlass
  module Presenters
    # A prescription before it is run: the dose, its place on the ladder, the breath line, and what is to be minded.
    class PrescriptionSheet
      attr_reader :prescription

      # @param prescription [Records::Prescription]
      def initialize(prescription, now:)
        @prescription = prescription
        @now = now
      end

      def id = prescription.id

      def athlete = prescription.athlete

      def protocol = prescription.to_protocol

      def title = "#{protocol.name}, #{athlete.name}"

      def quiet? = prescription.quiet?

      def standing = @standing ||= prescription.to_standing

      def runnable? = hindrance.nil?

      # Cautions of the protocol, and those that the screening adds.
      def cautions
        finding = athlete.to_screen(on: today).finding(protocol.column, on: today)
        protocol.cautions + ((finding.state == :care) ? finding.reasons : [])
      end

      # Why it can't be run now.
      def hindrance
        @hindrance ||= prescription.hindrance_on(today) || ("#{protocol.name} needs #{protocol.needs} first." if standing.nil?)
      end

      def dose = protocol.in_words(standing.dose)

      def ladder = LadderLine.new(standing)

      def length = Words.length(timeline.total_ms / 1000)

      def held = Words.length(timeline.hold_ms / 1000)

      def set
        done = prescription.sessions.run.where(local_date: @now.to_date).count
        sets = protocol.sets(standing.dose)
        (done < sets) ? "Set #{done + 1} of #{sets}" : "All #{sets} sets of today are done"
      end

      def line
        BreathLine.new(timeline, body, title: "One set of #{protocol.name.downcase}: #{dose}", forecast: forecast)
      end

      # What the model says, in a sentence or two; why it says nothing, where it does not.
      def forecast_words
        return Forecasts.objection(athlete, on: today) unless forecast

        ForecastWords.of(forecast)
      end

      # @return [Array<ForecastWords::Row>]
      def forecast_rows = forecast ? ForecastWords.rows(forecast) : []

      def miniature = Miniature.new(timeline, body)

      # @return [Array<Array(String, String)>] what each part is, and how long it takes
      def parts
        timeline.segments.group_by { |segment| [segment.phase, segment.cue] }.map do |(_phase, cue), segments|
          lengths = segments.map(&:seconds).minmax.map { |seconds| Words.seconds(seconds) }.uniq
          [cue, segments.size, lengths.join(" to ")]
        end
      end

      def timeline = @timeline ||= protocol.compile(standing.dose)

      private

      def today = @now.to_date

      def forecast = @forecast ||= Forecasts.of(athlete, timeline, on: today)

      def body = athlete.to_body(on: today)
    end
  end
end
