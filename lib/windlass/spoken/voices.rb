# frozen_string_literal: true

module Windlass
  module Spoken
    # The voices that words are rendered in, by Debian's free synthesiser. The first is the one that lengths are
    # reckoned with: in the others no word takes longer.
    module Voices
      # What the synthesiser is told: whose voice, how high, how quick in words a minute.
      Voice =
        Value.define(:name, :speaker, :pitch, :pace) do
          # @return [Array<String>] with nothing before and after the word
          def options(pace = self.pace) = ["-v", speaker, "-s", pace.to_s, "-p", pitch.to_s, "-a", "170", "-z"]
        end

      ALL = [
        Voice.new(name: "calm", speaker: "en-gb+f2", pitch: 38, pace: 150),
        Voice.new(name: "deep", speaker: "en-gb+m3", pitch: 30, pace: 150),
        Voice.new(name: "light", speaker: "en-us+f3", pitch: 60, pace: 150)
      ].freeze
      FIRST = ALL.first

      # Samples a second, as the synthesiser gives them.
      RATE = 22_050
    end
  end
end
