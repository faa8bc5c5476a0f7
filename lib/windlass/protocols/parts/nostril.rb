# frozen_string_literal: true

module Windlass
  module Protocols
    # What a cycle of alternate-nostril breathing is made of: the sides, the narrowing, the retentions, the locks. Each
    # is a choice of its own; a stage is a named set of them. Common practice, no source.
    module Nostril
      # Sides of the breath in and of the breath out; a cycle goes through them in turn.
      FORMS = {
        "left" => [%i[left right], %i[right left]],
        "right" => [%i[right left], %i[left right]],
        "warming" => [%i[right left]],
        "cooling" => [%i[left right]],
        "left-only" => [%i[left left]],
        "right-only" => [%i[right right]]
      }.freeze
      FORM_WORDS = {
        "left" => "both ways, left first", "right" => "both ways, right first",
        "warming" => "in right, out left (surya bhedana)", "cooling" => "in left, out right (chandra bhedana)",
        "left-only" => "in and out left", "right-only" => "in and out right"
      }.freeze

      WAYS = {"none" => [], "in" => %i[in], "out" => %i[out], "both" => %i[in out]}.freeze
      WAY_WORDS = {
        "none" => "open",
        "in" => "narrowed in",
        "out" => "narrowed out",
        "both" => "narrowed both ways"
      }.freeze
      SAID_WAYS = {
        "none" => "open",
        "in" => "narrowed in",
        "out" => "narrowed out",
        "both" => "narrowed in and out"
      }.freeze
      HELD = {"none" => [], "full" => %i[full], "empty" => %i[empty], "both" => %i[full empty]}.freeze
      HELD_WORDS = {
        "none" => "no retention",
        "full" => "holding full",
        "empty" => "holding empty",
        "both" => "holding full and empty"
      }.freeze

      # Where a lock lies. Throughout: it is kept from one part to the next.
      LOCKED = {
        "off" => [],
        "full" => %i[full],
        "empty" => %i[empty],
        "both" => %i[full empty],
        "out" => %i[out],
        "full and out" => %i[full out],
        "throughout" => %i[in full out empty]
      }.freeze
      LOCKED_WORDS = {
        "off" => "off", "full" => "while full", "empty" => "while empty", "both" => "while full and while empty",
        "out" => "in the breath out", "full and out" => "while full and in the breath out", "throughout" => "throughout"
      }.freeze
      ABDOMINAL = %w[off empty out].freeze
      LOCKS = {throat: "throat lock", root: "root lock", abdominal: "abdominal lock"}.freeze

      # A named set of choices: keys are those of a dose.
      Stage =
        Value.define(:words, :choices) do
          def [](key) = choices.fetch(key) { USUAL.fetch(key) }

          def retention? = self[:retention] != "none"

          def locks? = LOCKS.keys.any? { |lock| self[lock] != "off" }
        end
      USUAL = {narrow: "none", retention: "none", throat: "off", root: "off", abdominal: "off"}.freeze

      # The build-up, one after the other.
      STAGES =
        {
          "open" => {},
          "narrowed in" => {narrow: "in"},
          "narrowed out" => {narrow: "out"},
          "narrowed both ways" => {narrow: "both"},
          "holding full" => {retention: "full"},
          "holding full with the root lock" => {
            retention: "full",
            root: "full"
          },
          "holding empty" => {retention: "empty"},
          "holding empty with the abdominal lock" => {
            retention: "empty",
            abdominal: "empty"
          },
          "holding full and empty with locks" => {
            retention: "both",
            throat: "full",
            root: "both",
            abdominal: "empty"
          }
        }.map { |words, choices| Stage.new(words: words, choices: choices.freeze) }.freeze

      # What a dose chooses: by itself, by its counts, or by its stage.
      Choice =
        Value.define(:dose) do
          def stage = STAGES.fetch(dose[:stage])

          # @return [Boolean] something is chosen besides the stage: that alone is changed, the rest stays as the stage
          #   says
          def own? = (USUAL.keys & dose.keys).any? || dose.key?(:counts)

          def narrowed?(way) = WAYS.fetch(chosen(:narrow)).include?(way)

          # @return [Boolean] there is a retention there, :full or :empty
          def held?(lungs) = retained.include?(lungs)

          def retention? = retained.any?

          # @param part [Symbol] :in, :full, :out or :empty
          # @return [Array<Symbol>] locks that lie in it
          def locks(part)
            return [] if HELD.fetch("both").include?(part) && !held?(part)

            LOCKS.keys.select { |lock| LOCKED.fetch(chosen(lock)).include?(part) }
          end

          def locks? = %i[in full out empty].any? { |part| locks(part).any? }

          # @return [String] `narrowed in, holding full, root lock while full`
          def in_words
            return stage.words unless own?

            narrow = chosen(:narrow)
            [
              (WAY_WORDS.fetch(narrow) if narrow != "none" || !retention?),
              (HELD_WORDS.fetch(chosen(:retention)) if retention?),
              *LOCKS.filter_map do |lock, words|
                "#{words} #{LOCKED_WORDS.fetch(chosen(lock))}" unless chosen(lock) == "off"
              end
            ].compact.join(", ")
          end

          # @param key [Symbol] of {USUAL}
          # @return [String] what is true of it: by a choice of its own, or as the stage says
          def chosen(key) =
            if key == :retention
              HELD.key(%i[full empty].select { |lungs| held?(lungs) })
            else
              dose.fetch(key) { stage[key] }
            end

          private

          # What a count of 0 leaves out is not held. Where neither the dose nor its stage says what is held, counts of
          # one's own do.
          def retained
            said = HELD.fetch(dose.fetch(:retention) { stage[:retention] })
            return said unless dose.key?(:counts)

            counted = {full: dose[:counts][1], empty: dose[:counts][3]}.select { |_, counts| counts.positive? }.keys
            (said.empty? && !dose.key?(:retention)) ? counted : said & counted
          end
        end
    end
  end
end
