# frozen_string_literal: true

module Windlass
  module Measures
    # What every kind of measure besides the control pause answers: how it is taken, what is asked, how it is read.
    class Kind
      # Parts of a clock: a stopwatch, a metronome that counts beats, a minute in which something is counted, none.
      CLOCKS = %i[stopwatch beats minute none].freeze
      # Where one stands among the others that does not say it.
      LAST = 1000

      class << self
        # @param steps [Array<String>] what to do, in order
        # @param value [Symbol] key of the field that is charted, and that doses may be computed from
        def about(id:, name:, unit:, steps:, value:, place: LAST, clock: :none, cautions: [])
          @facts = {
            id: id, name: name, unit: unit, steps: steps, value: value, place: place, clock: clock,
            cautions: cautions
          }.freeze
        end

        def field(key, words, **more) = fields << Field.new(key: key, words: words, **more)

        attr_reader :facts

        def fields = @fields ||= []
      end

      %i[id name unit steps value place clock cautions].each { |fact|
        define_method(fact) {
          self.class.facts.fetch(fact)
        }
      }

      # @return [Array<Field>] in the order in which they are asked
      def fields = self.class.fields

      # @return [Progression::Activity, nil] what readiness is asked about before it is taken
      def activity = nil

      # @param taken [Taken]
      # @return [String, nil] what happened that stops all hold work
      def stop(_taken) = nil

      # @param _details [Hash] answers, by field
      # @return [Boolean] something was seen that is saved at once: the rest may follow
      def urgent?(_details) = false

      # @param taken [Taken]
      # @return [Boolean] it went well: a measure that ended badly doses nothing
      def went_well?(_taken) = true

      # @param taken [Taken]
      # @param context [ReadingContext]
      # @return [Reading]
      def read(taken, context)
        Reading.new(
          headline: headline(taken),
          sentences: [*sentences(taken, context), comparison(taken, context)].compact.freeze
        )
      end

      # @return [String] `1:35`, `24 beats`
      def value_words(value) = "#{Words.number(value)} #{unit}"

      private

      def comparison(taken, context)
        before = context.earlier.last or return
        change = taken.value - before.value
        return "The same as on #{Words.date(before.taken_at.to_date)}." if change.abs < 0.05

        "#{value_words(change.abs)} #{(change > 0) ? "more" : "less"} than on #{Words.date(before.taken_at.to_date)}."
      end
    end
  end
end
