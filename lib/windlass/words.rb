# frozen_string_literal: true

module Windlass
  # Numbers and lists in plain words, the same in a reason, on a screen and in a file.
  module Words
    # @return [String] `1:05`, and `0:48`: for clocks
    def self.clock(seconds)
      format("%d:%02d", *seconds.round.divmod(60))
    end

    # @return [String] `5 s`, `4.5 s`, `1:35`, `1:02.5`: a minute or more is a time
    def self.seconds(seconds)
      tenths = (seconds.to_r * 10).round
      return "#{number(seconds)} s" if tenths < 600

      minutes, rest = tenths.divmod(600)
      format((tenths % 10).zero? ? "%d:%02d" : "%d:%04.1f", minutes, rest / 10.0)
    end

    # @return [String] `45`, `1:35`, `1:02.5`: in a field
    def self.typed_seconds(seconds) = self.seconds(seconds).delete_suffix(" s")

    # @return [String] `45 s`, `1:10`: for holds
    def self.hold(seconds) = (seconds < 60) ? self.seconds(seconds) : clock(seconds)

    # @return [String] `11 min 20 s`, `5 min`, `40 s`: for lengths
    def self.length(seconds)
      minutes, rest = seconds.round.divmod(60)
      [("#{minutes} min" if minutes > 0), ("#{rest} s" if rest > 0 || minutes.zero?)].compact.join(" ")
    end

    # @return [String] at most one decimal, none where it is whole
    def self.number(number)
      rounded = number.to_f.round(1)
      ((rounded % 1).zero? ? rounded.to_i : rounded).to_s
    end

    # @return [String] with all its decimals: in a field, so that what is sent back is the same
    def self.exact(number) = number.to_s.delete_suffix(".0")

    # @return [String] `22 November 2026`
    def self.date(date) = date.strftime("%-d %B %Y")

    # @return [String] `on 4 March 2026 at 17:30`: the first whole minute that is not before it
    def self.moment(time)
      minute = Time.at((time.to_r / 60).ceil * 60, in: time.utc? ? "UTC" : time.utc_offset)
      "on #{date(minute.to_date)} at #{minute.strftime("%H:%M")}"
    end

    # @return [String] `1 gasp`, `2 gasps`
    def self.count(number, one, many = "#{one}s") = "#{number} #{(number == 1) ? one : many}"

    # @return [String] `once`, `twice`, `3 times`
    def self.times(number) = {1 => "once", 2 => "twice"}.fetch(number) { "#{number} times" }

    # @return [String] `4`, `4 and 6`, `4, 6 and 7`
    def self.list(items, joint = "and")
      return items.join if items.size < 2

      "#{items[0..-2].join(", ")} #{joint} #{items.last}"
    end
  end
end
