# frozen_string_literal: true

module Windlass
  module Presenters
    # A dose as it is drawn, for one body: the breath line of a set, how long it is, what the model says of it, what is
    # heard of it.
    class DrawnDose
      # @param body [Physiology::Body]
      # @param title [String] of the line
      # @yieldparam timeline [Timeline::Compiled]
      # @yieldreturn [Physiology::Forecast, nil] nil where the model has nothing to say
      def initialize(protocol, dose, body, title:, &forecast)
        @protocol = protocol
        @dose = dose
        @body = body
        @title = title
        @forecaster = forecast
      end

      attr_reader :body

      # @return [Array<String>] its blocks in words; none where it is no session of blocks
      def block_words = @protocol.blocks_in_words(@dose)

      # @return [Array<String>] what the coach noted
      def notes = @protocol.notes(@dose)

      def timeline = @timeline ||= @protocol.compile(@dose, body)

      def forecast
        return @forecast if defined?(@forecast)

        @forecast = @forecaster.call(timeline)
      end

      def line = @line ||= BreathLine.new(timeline, body, title: @title, forecast: forecast)

      def miniature = Miniature.new(timeline, body)

      def length = Words.length(timeline.total_ms / 1000)

      # @return [String, nil] nil where nothing is
      def held = timeline.holds.any? ? "#{Words.length(timeline.hold_ms / 1000)} held" : nil

      # @return [String, nil] what the model says, in a sentence or two
      def forecast_words = (ForecastWords.of(forecast) if forecast)

      # @return [Array<ForecastWords::Row>]
      def forecast_rows = forecast ? ForecastWords.rows(forecast) : []

      # @return [Array<Array(String, Integer, String)>] what each part is, how often it comes, how long it takes
      def parts
        timeline
          .segments
          .group_by { |segment| [segment.phase, segment.cue] }
          .map do |(_phase, cue), segments|
            lengths = segments.map(&:seconds).minmax.map { |seconds| Words.seconds(seconds) }.uniq
            [cue, segments.size, lengths.join(" to ")]
          end
      end

      # @param words [Boolean] or tones alone
      # @param way [Symbol, nil] that is counted aloud: up, down, none; nil: as is usual
      # @return [Spoken::Score] all that is heard of it
      def heard(words:, way: nil)
        Spoken.of(
          timeline,
          counts: @protocol.counting(@dose, way: way),
          calls: @protocol.calls(@dose),
          blocks: @protocol.named_blocks(@dose),
          own_ms: Records::OwnWords.ms(timeline.segments),
          voice: words
        )
      end
    end
  end
end
