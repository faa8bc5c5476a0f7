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
      # @param zones [Array<Array(String, Boolean, String)>, nil] parts of a breath in: what is told of each, whether
      #   the throat is narrow in it, its cue
      # @param middle_s [Numeric, nil] what a breath takes in the middle, where the tempo changes
      def self.write(line, seconds, in_s, out_s, cues:, told: nil, numbered: false, middle_s: nil, zones: nil)
        each_ms(seconds, in_s + out_s, middle_s)
          .each
          .with_index(1) do |breath_ms, number|
            in_ms = (breath_ms * in_s / (in_s + out_s).to_r).floor
            line.within(**(numbered ? {round: number} : {})) do
              if zones
                in_zones(line, Rational(in_ms, 1000), zones)
              else
                line.inhale(Rational(in_ms, 1000), to: :easy, route: :nose, told: told, cue: cues.first)
              end
              line.exhale(Rational(breath_ms - in_ms, 1000), to: :passive, cue: cues.last)
            end
          end
      end

      # One breath in, a part each.
      def self.in_zones(line, seconds, zones)
        zones.each do |told, narrowed, cue|
          line.inhale(seconds / zones.size, to: :easy, route: :nose, narrowed: narrowed || nil, told: told, cue: cue)
        end
      end
      private_class_method :in_zones

      # @return [Array<Integer>] milliseconds of each breath
      def self.each_ms(seconds, breath_s, middle_s = nil)
        total_ms = (seconds * 1000).round
        mean_ms = (Numbers.exact(breath_s) + Numbers.exact(middle_s || breath_s)) * 500
        breaths = [(total_ms / mean_ms).round, 1].max
        return Timeline::Allocation.even(total_ms, breaths) if middle_s.nil?

        Timeline::Allocation.by(total_ms, Tempo.shares(breaths, Numbers.exact(middle_s) / Numbers.exact(breath_s)))
      end
    end
  end
end
