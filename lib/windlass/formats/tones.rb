# frozen_string_literal: true

module Windlass
  module Formats
    # What each cue sounds like: pitches in hertz, each so many seconds after the first; and how long one of them is. As
    # the deck has it (`sound.js`).
    module Tones
      TONES = {
        in: [[440, 0], [660, 0.09]],
        out: [[660, 0], [440, 0.09]],
        hold_full: [[330, 0]],
        hold_empty: [[262, 0]],
        sound: [[587, 0], [587, 0.09]],
        breathe: [[523, 0], [523, 0.16]],
        tick: [[880, 0]],
        accent: [[988, 0]],
        end: [[523, 0], [659, 0.16], [784, 0.32]],
        call: [[784, 0], [988, 0.14]],
        note: [[nil, 0]]
      }.freeze
      LENGTH_S = Hash.new(0.12).merge(hold_full: 0.35, hold_empty: 0.35, tick: 0.04, accent: 0.04).freeze
      RISE_S = 0.01
      FALL_S = 0.04

      # @param kind [Symbol]
      # @param hz [Float, nil] of a note
      # @param seconds [Numeric, nil] that a note lasts
      # @param rate [Integer] samples a second
      # @return [Array<Float>] samples, -1..1
      def self.samples(kind, hz, rate, seconds: nil)
        tones = TONES.fetch(kind)
        length = seconds || LENGTH_S[kind]
        all = Array.new(((tones.last.last + length + FALL_S) * rate).ceil, 0.0)
        tones.each { |pitch, after| add(all, pitch || hz, (after * rate).round, length, rate) }
        all
      end

      def self.add(all, pitch, from, length, rate)
        step = 2 * Math::PI * pitch / rate
        ((length + FALL_S) * rate).floor.times do |at|
          t = at / rate.to_f
          all[from + at] += Math.sin(step * at) * [t / RISE_S, 1, (length + FALL_S - t) / FALL_S].min if from + at <
            all.size
        end
      end
      private_class_method :add
    end
  end
end
