# frozen_string_literal: true

module Windlass
  module Protocols
    # Plain reference tones for what is sung. Equal temperament from A4 at 440 Hz (ISO 16, from memory).
    module Notes
      A4_HZ = 440.0
      SEMITONES = 12
      # Semitones from A4.
      FROM_A4 = {
        "A2" => -24,
        "C3" => -21,
        "E3" => -17,
        "G3" => -14,
        "A3" => -12,
        "C4" => -9,
        "E4" => -5,
        "G4" => -2,
        "A4" => 0
      }.freeze
      CHOICES = {"none" => "none", **FROM_A4.to_h { |name, _| [name, name] }}.freeze

      # @param name [String] of {CHOICES}
      # @param semitones [Integer] above it
      # @return [Float, nil] hertz
      def self.hz(name, semitones = 0)
        from = FROM_A4[name]
        from && (A4_HZ * 2**((from + semitones) / SEMITONES.to_f)).round(1)
      end
    end
  end
end
