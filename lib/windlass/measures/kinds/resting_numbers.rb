# frozen_string_literal: true

module Windlass
  module Measures
    # Breaths, pulse and oximeter at rest. A healthy reading: handbook 3.6, common practice, no source.
    class RestingNumbers < Kind
      HEALTHY = (95..99)
      BUSY = 16

      about id: "resting_numbers",
        name: "Resting numbers",
        place: 50,
        unit: "breaths a minute",
        value: :breaths,
        clock: :minute,
        steps: [
          "Seated, after five quiet minutes.",
          "Count the breaths of one minute: press at the end of every breath out.",
          "Then the pulse, and the oximeter on a warm finger."
        ],
        cautions: []

      field :breaths, "Breaths", unit: "a minute", range: (2..60)
      field :pulse, "Pulse", unit: "a minute", range: (25..150), optional: true
      field :saturation, "Oximeter", unit: "%", range: (70..100), optional: true

      private

      def headline(taken)
        [
          Words.count(Words.number(taken.value).to_i, "breath"),
          ("pulse #{Words.number(taken.details[:pulse])}" if taken.details[:pulse]),
          ("oximeter #{Words.number(taken.details[:saturation])} %" if taken.details[:saturation])
        ].compact.join(", ") + "."
      end

      def sentences(taken, _context)
        saturation = taken.details[:saturation]
        [
          ("Busy breathing at rest: quiet breathing first." if taken.value > BUSY),
          (
            if saturation && saturation < HEALTHY.begin
              "Under #{HEALTHY.begin} %: warm the finger and take it again; if it stays, a doctor before any hold."
            end
          ),
          ("100 % adds nothing over 95 to 99 %." if saturation == 100),
          ("A finger reading lags by many seconds." if saturation)
        ]
      end
    end
  end
end
