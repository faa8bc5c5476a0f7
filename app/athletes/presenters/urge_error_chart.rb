# frozen_string_literal: true

module Windlass
  module Presenters
    # How far the first urges that were marked lay from what was forecast when each session was run: a bar from quartile
    # to quartile and a dot at the median a session, over twelve weeks. Says whether learning from the log has helped.
    class UrgeErrorChart
      DAYS = 84
      WIDTH = 560
      HEIGHT = 150
      LEFT = 84
      RIGHT = 544
      TOP = 12
      BOTTOM = 118
      # Sessions at either end that are compared; fewer than twice as many say nothing of a change.
      COMPARED = 5
      # A change of less is none, seconds.
      NOTICEABLE_S = 2

      Bar = Value.define(:x, :y, :top, :bottom, :words)

      # @param athlete [Records::Athlete]
      def self.of(athlete, today:) = new(Queries::UrgeErrors.of(athlete, (today - DAYS + 1)..today), today: today)

      # @param sessions [Array<Queries::UrgeErrors::Session>] in order of time
      def initialize(sessions, today:)
        @sessions = sessions
        @first = today - DAYS + 1
        @x = Scale.of([0, DAYS - 1], [LEFT + 6, RIGHT - 6])
        @y = Scale.of([-reach, reach], [BOTTOM, TOP])
      end

      def empty? = @sessions.empty?

      def bars
        @sessions.map do |session|
          low, high = session.quartiles
          Bar.new(
            x: @x.place((session.date - @first).to_i),
            y: @y.place(session.median),
            top: @y.place(high),
            bottom: @y.place(low),
            words: "#{Dates.short(session.date)}: #{late(session.median)}"
          )
        end
      end

      def path = "M#{bars.map { |bar| "#{bar.x} #{bar.y}" }.join("L")}"

      # @return [Array<Array(Float, String)>] places and words: so much later than forecast, as forecast, so much
      #   earlier
      def levels =
        [reach, 0, -reach].map do |value|
          [@y.place(value * 0.9), value.zero? ? "as forecast" : format("%+d s", value * 0.9)]
        end

      def days =
        [[@x.place(0), Dates.short(@first), "first"], [@x.place(DAYS - 1), Dates.short(@first + DAYS - 1), "last"]]

      # @return [String] `3 s later than forecast, of late`
      def in_short = "#{late(pooled(@sessions.last(COMPARED)).median)}, of late"

      # @return [String] `In the last 5 sessions the first urge came 3 s later than forecast (middle half 2 s earlier to
      #   6 s later).`
      def words
        newest = pooled(@sessions.last(COMPARED))
        [
          "In the last #{Words.count([@sessions.size, COMPARED].min, "session")} the first urge came " \
          "#{late(newest.median)} (middle half #{newest.quartiles.map { |one| late(one, short: true) }.join(" to ")}).",
          change(newest)
        ].compact.join(" ")
      end

      private

      def change(newest)
        return if @sessions.size < 2 * COMPARED

        oldest = pooled(@sessions.first(COMPARED))
        closer = oldest.median.abs - newest.median.abs
        before = "In the first #{COMPARED}: #{late(oldest.median)}."
        return "#{before} Learning from the log has not moved it." if closer.abs < NOTICEABLE_S

        "#{before} Learning from the log has #{closer.positive? ? "helped" : "not helped"}."
      end

      def pooled(sessions) = Queries::UrgeErrors::Session.new(date: nil, errors: sessions.flat_map(&:errors))

      def late(seconds, short: false)
        rounded = seconds.round
        return short ? "as forecast" : "as it was forecast" if rounded.zero?

        "#{rounded.abs} s #{rounded.positive? ? "later" : "earlier"}#{" than forecast" unless short}"
      end

      def reach = @reach ||= [@sessions.flat_map { |session| session.quartiles.map(&:abs) }.max.to_f.ceil, 10].max * 1.1
    end
  end
end
