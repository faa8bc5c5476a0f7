# frozen_string_literal: true

module Windlass
  module Presenters
    # What each key of a deck does, as the page of keys tells it.
    module DeckKeys
      # The same on both decks.
      MARKS = {"U" => "first urge", "C" => "contraction", "H" => "hold now, in deep breathing"}.freeze
      EASING = {"−" => "shorter holds from here", "+" => "one restoring breath more", "M" => "sound on and off"}.freeze
      REST_SMOOTH = {"4" => "when it is over: all that nobody rated were smooth"}.freeze

      # @param paced [Boolean] a heartbeat may lead
      # @return [Hash{String => String}]
      def self.alone(paced:)
        {
          "Space" => "start, release, next (in a hiss: it ends at this beat); count a breath; go on",
          "N" => "next, without counting",
          "T" => "counts run by the clock, or by a tap",
          "V" => "words and tones, tones alone, words alone",
          **MARKS,
          "1" => "first breath smooth", "2" => "first breath deeper", "3" => "first breath a gasp",
          **REST_SMOOTH,
          "P" => "pause",
          "O" => "sensors: an oximeter, a heart belt",
          "S" => "ease it, or note a symptom",
          **EASING,
          **(paced ? {"B" => "tapped four times: the heartbeat leads from the next round on"} : {}),
          "Q" => "quiet breathing from here: no hold follows",
          "E" => "emergency: all stops, the card fills the screen",
          "Esc" => "stop: loses nothing"
        }
      end

      # @param letters [Array<String>] of the lanes
      # @return [Hash{String => String}]
      def self.together(letters)
        {
          "Space" => "start all; then release, next, go on: for the lane in focus",
          letters.join(" ") => "choose a lane: it takes all keys until its next mark",
          "1" => "first breath smooth, of whoever was asked first",
          "2" => "first breath deeper", "3" => "first breath a gasp",
          **REST_SMOOTH,
          **MARKS,
          "N" => "next, without counting",
          "P" => "pause the lane in focus",
          "S" => "ease the lane in focus, or note a symptom",
          **EASING,
          "Q" => "quiet breathing from here, for the lane in focus",
          "V" => "words of all, of the lane in focus, of nobody",
          "E" => "emergency: all lanes stop, the card fills the screen",
          "Esc" => "stop the lane in focus: loses nothing"
        }
      end
    end
  end
end
