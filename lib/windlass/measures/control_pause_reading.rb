# frozen_string_literal: true

module Windlass
  module Measures
    # A control pause read in context.
    # verdict is :counts, :counts_apart (valid, but not on waking) or :does_not_count. pausing: the measure is better
    # paused.
    ControlPauseReading =
      Value.define(:pause, :verdict, :headline, :sentences, :pausing) do
        # @param context [Context]
        def self.read(pause, context)
          verdict = verdict_of(pause)
          readings = Readings.for(pause, context)
          new(
            pause: pause,
            verdict: verdict,
            headline: headline(pause, verdict, readings.filter_map(&:headline).first),
            sentences: readings.map(&:words).freeze,
            pausing: readings.any? { |one| Readings::PAUSED_BY.include?(one.id) }
          )
        end

        # @return [Boolean] a dose may be computed from it
        def counts? = verdict != :does_not_count

        def self.verdict_of(pause)
          return :does_not_count unless pause.valid?

          pause.on_waking ? :counts : :counts_apart
        end

        # What does not count, or is to be paused, or points to a doctor never begins with a praise.
        def self.headline(pause, verdict, advice)
          seconds = Words.seconds(pause.seconds)
          if verdict == :does_not_count
            return "#{seconds}. Does not count as a control pause#{": #{advice}" if advice}."
          end
          return "#{seconds}: #{advice}." if advice

          score = "#{seconds}: #{pause.band.words}"
          case verdict
          when :counts
            "#{score}. Counts towards the morning trend."
          when :counts_apart
            "#{score}. Valid, but not taken on waking: it stays out of the morning series."
          end
        end
        private_class_method :verdict_of, :headline
      end
  end
end
