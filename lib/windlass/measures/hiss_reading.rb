# frozen_string_literal: true

module Windlass
  module Measures
    # A hiss as a microphone heard it: levels alone decide, no sound is kept. Common practice, no source; the slope:
    # {Trends::TheilSen}. onset_s and end_s: seconds from the first level; evenness_db: spread of the level after the
    # first half second; flickers: dips too short to be its end; drift_db_s: how it fades.
    HissReading =
      Value.define(:onset_s, :end_s, :seconds, :beats, :evenness_db, :flickers, :drift_db_s) do
        # @return [HissReading] of which nothing was found
        def self.nothing = new(**members.to_h { |member| [member, nil] })

        # @param levels_db [Array<Numeric>] level in the band of a hiss
        # @param step_s [Numeric] seconds from one to the next
        # @param tempo [Numeric] beats a minute
        # @return [HissReading] all nil where no hiss was found
        def self.of(levels_db, step_s:, tempo:)
          heard = Hiss.new(levels_db, step_s)
          return nothing if heard.onset.nil?

          step = Numbers.exact(step_s)
          onset_s, end_s = [heard.onset, heard.finish].map { |place| (place * step).to_f }
          seconds = ((heard.finish - heard.onset) * step).to_f
          new(
            onset_s: onset_s,
            end_s: end_s,
            seconds: seconds,
            beats: seconds * tempo / 60.0,
            evenness_db: heard.evenness_db,
            flickers: heard.flickers,
            drift_db_s: heard.drift_db_s
          )
        end

        def found? = !onset_s.nil?

        # @return [String] `even`, `fading`, `flickering`
        def in_words
          return "nothing heard" unless found?
          return "flickering" if flickers.positive? || evenness_db > EVEN_DB

          (!drift_db_s.nil? && drift_db_s < FADING_DB_S) ? "fading" : "even"
        end
      end
    # A spread of more is not even; a slope below is fading.
    EVEN_DB = 2.5
    FADING_DB_S = -0.5
  end
end
