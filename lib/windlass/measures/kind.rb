# frozen_string_literal: true

module Windlass
  module Measures
    # Something that is asked when a measure is taken.
    # @param range [Range, nil] of a number; nil with choices and text
    # @param choices [Hash{String => String}, nil]
    # @param mark [String, nil] key that sets it while the clock runs
    Field =
      Value.define(:key, :words, unit: nil, range: nil, choices: nil, optional: false, mark: nil) do
        # @return [String] `Breaths, a minute`, `Held (1:35 or 95 s)`
        def label = (unit == "s") ? "#{words} (1:35 or 95 s)" : [words, unit].compact.join(", ")

        # @return [String] an answer as it is typed: `3:14.2`
        def typed(value)
          return value.to_s unless value.is_a?(Numeric)

          (unit == "s") ? Words.typed_seconds(value) : Words.number(value)
        end

        # @return [String] an answer: `3:14`, `54 a minute`, `a gasp`
        def in_words(value)
          return choices.fetch(value) if choices
          return value.to_s unless value.is_a?(Numeric)

          (unit == "s") ? Words.seconds(value) : [Words.number(value), unit].compact.join(" ")
        end
      end

    # A measure as it was taken. details: the other fields by key.
    Taken = Value.define(:value, :details, :taken_at)

    # What has to be known to read a measure. earlier: of the same kind, in order of time.
    ReadingContext = Value.define(earlier: [], maximal_hold_s: nil, disciplines: [])

    Reading = Value.define(:headline, :sentences)

    # What may be noted after a hold that was taken to its end. Whatever else was noted before is a doubt too.
    AFTERWARDS = {
      "no" => "nothing to note",
      "dizzy" => "dizzy or tingling",
      "stop" => "shaking, blue lips, passed out, or worse"
    }.freeze

    # What both holds have in common that are taken to their end.
    module HeldToTheEnd
      def stop(taken) =
        if taken.details[:eventful] == "stop"
          "#{name} on #{Words.date(taken.taken_at.to_date)}: #{AFTERWARDS.fetch("stop")}."
        end

      def went_well?(taken) = [nil, "no"].include?(taken.details[:eventful]) && taken.details[:first_breath] != "gasp"

      private

      def afterwards(taken)
        return "It stops all hold work until a clinician has cleared it." if stop(taken)

        "It did not end well, so no dose is computed from it." unless went_well?(taken)
      end
    end

    # What every kind of measure besides the control pause answers: how it is taken, what is asked, how it is read.
    class Kind
      # Parts of a clock: a stopwatch, a metronome that counts beats, a minute in which something is counted, none.
      CLOCKS = %i[stopwatch beats minute none].freeze

      class << self
        # @param steps [Array<String>] what to do, in order
        # @param value [Symbol] key of the field that is charted, and that doses may be computed from
        def about(id:, name:, unit:, steps:, value:, clock: :none, cautions: [])
          @facts = {
            id: id, name: name, unit: unit, steps: steps, value: value, clock: clock, cautions: cautions
          }.freeze
        end

        def field(key, words, **more) = fields << Field.new(key: key, words: words, **more)

        attr_reader :facts

        def fields = @fields ||= []
      end

      %i[id name unit steps value clock cautions].each { |fact| define_method(fact) { self.class.facts.fetch(fact) } }

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
