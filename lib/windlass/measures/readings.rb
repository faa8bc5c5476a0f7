# frozen_string_literal: true

module Windlass
  module Measures
    # What a coach says of a control pause, in order of urgency. Each answers a sentence or nothing.
    # Common practice, no source.
    module Readings
      # A score as long as this from somebody untrained who sleeps badly is a warning.
      LONG_S = 40

      # What the measure itself spoils, or says wrongly of, is better paused.
      PAUSED_BY = %i[anxious sleep].freeze

      # headline: what a score begins with, where the advice goes before the number.
      Reading = Value.define(:id, :applies, :words, :headline)

      def self.reading(id, applies, words, headline = nil) =
        Reading.new(id: id, applies: applies, words: words, headline: headline)
      private_class_method :reading

      ALL = [
        reading(
          :implausible,
          ->(pause, _) { !pause.plausible? },
          "Under 3 s or over 90 s is seldom a control pause. Take it again before you use it.",
          "take it again"
        ),
        reading(
          :anxious,
          ->(pause, context) { pause.ended_by == :anxiety || (context.nervous && pause.seconds < 20) },
          "Short because the measure itself is uneasy. Do not chase it: pause the measure, go on with quiet " \
          "breathing, " \
            "and try again in some weeks.",
          "pause the measure"
        ),
        reading(
          :pushed,
          ->(pause, _) { pause.pushed? },
          "Held past the signal: the first breath after it was not calm. It does not count. Stop sooner next time."
        ),
        reading(
          :no_signal,
          ->(pause, _) { !pause.bodily_signal? && pause.ended_by != :anxiety },
          "No bodily signal ended it, so it does not say where the urge begins. Teach noticing, and repeat it."
        ),
        reading(
          :sleep,
          ->(pause, context) { pause.seconds >= LONG_S && !context.trained && context.sleep_signs },
          "Long in someone untrained who sleeps badly is no sign of good breathing: it can be sleep apnoea. Suggest " \
          "a " \
            "doctor. With good training this score will fall, and that is progress.",
          "see a doctor first"
        ),
        reading(
          :trained_sleep,
          ->(pause, context) { pause.seconds >= LONG_S && context.trained && context.sleep_signs },
          "Plausible in a trained breath-holder; with snoring, sleepiness or pauses in sleep it can be sleep apnoea " \
          "all the same. " \
            "Suggest a doctor.",
          "see a doctor first"
        ),
        reading(
          :expected_fall,
          ->(pause, context) { pause.valid_morning? && context.sleep_signs && dropped?(pause, context) },
          "Lower than usual, as expected here: that is progress."
        ),
        reading(
          :untrained_long,
          ->(pause, context) { pause.seconds >= LONG_S && !context.trained && !context.sleep_signs },
          "Long for someone untrained. Ask about snoring, pauses in sleep and sleepiness by day before you call it " \
          "good.",
          "ask about sleep first"
        ),
        reading(
          :trained_long,
          ->(pause, context) { pause.valid? && pause.seconds >= LONG_S && context.trained && !context.sleep_signs },
          "Plausible in a trained breath-holder."
        ),
        reading(
          :drop,
          ->(pause, context) { pause.valid_morning? && !context.sleep_signs && dropped?(pause, context) },
          "A quarter or more under the recent median: illness, bad sleep or too much work. Make it a light day."
        ),
        reading(
          :short_child,
          ->(pause, context) { pause.valid? && pause.seconds < 20 && context.child },
          "Short, and under twelve years: quiet breathing through the nose is what helps. No holds at that age."
        ),
        reading(
          :short,
          ->(pause, context) { pause.valid? && pause.seconds < 20 && !context.nervous && !context.child },
          "A short pause usually means fast breathing at rest. Train gently, with small holds."
        ),
        reading(
          :busy,
          ->(pause, context) { pause.valid? && context.busy_signs && pause.seconds < LONG_S },
          "Mouth breathing and yawning go with busy breathing. Through the nose, by day as well."
        )
      ].freeze

      # @return [Array<Reading>] those that apply
      def self.for(pause, context) = ALL.select { |reading| reading.applies.call(pause, context) }

      def self.dropped?(pause, context) =
        !context.baseline_s.nil? && Measures.dropped?(pause.seconds, context.baseline_s)
      private_class_method :dropped?
    end
  end
end
