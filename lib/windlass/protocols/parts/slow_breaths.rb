# frozen_string_literal: true

module Windlass
  module Protocols
    # Slow breathing in whole breaths that fill a time to the millisecond, each split as in and out are to each other.
    module SlowBreaths
      # What is left is called, so long before the end.
      CALLS = {120 => "Two more minutes", 60 => "Last minute"}.freeze

      # @return [Array<Array(Integer, String)>] milliseconds of the session's clock
      def self.calls(minutes) =
        CALLS.filter_map do |before_s, words|
          [((minutes * 60 - before_s) * 1000).round, words] if minutes * 60 > before_s
        end

      # @param seconds [Numeric] to fill
      # @param cues [Array(String, String)] in, out
      # @param told [String, nil] what the deck says of the breath in
      # @param numbered [Boolean] each breath is a round
      def self.write(line, seconds, in_s, out_s, cues:, told: nil, numbered: false)
        each_ms(seconds, in_s + out_s)
          .each
          .with_index(1) do |breath_ms, number|
            in_ms = (breath_ms * in_s / (in_s + out_s).to_r).floor
            line.within(**(numbered ? {round: number} : {})) do
              line.inhale(Rational(in_ms, 1000), to: :easy, route: :nose, told: told, cue: cues.first)
              line.exhale(Rational(breath_ms - in_ms, 1000), to: :passive, cue: cues.last)
            end
          end
      end

      # @return [Array<Integer>] milliseconds of each breath
      def self.each_ms(seconds, breath_s)
        total_ms = (seconds * 1000).round
        Timeline::Allocation.even(total_ms, [Rational(total_ms, (breath_s * 1000).round).round, 1].max)
      end
    end
  end
end
