# frozen_string_literal: true

module Windlass
  module Records
    # What columns may hold that their types do not say: one source for what is read back from them and for what an
    # archive brings. A column has a meaning by its table and name, or by its name alone.
    module Columns
      # @param words [String] what is allowed
      # @param fits [#call] value, today -> whether it is
      # @param entry [#call, nil] of a list: whether one of its entries is
      Meaning =
        Value.define(:words, :fits, entry: nil) do
          # @return [Boolean]
          def fits?(value, today) = fits.call(value, today)
        end

      # @param words [String]
      # @yieldparam entry [Object]
      # @return [Meaning] of a list, entry by entry
      def self.list(words, &entry) =
        Meaning.new(
          words: "a list of #{words}",
          entry: entry,
          fits: ->(value, _) { value.is_a?(Array) && value.all?(&entry) }
        )

      def self.ids(words, known) = list(words) { |entry| entry.is_a?(String) && known.include?(entry) }

      def self.mapping(words) = Meaning.new(words: words, fits: ->(value, _) { value.is_a?(Hash) })

      def self.number(range, unit) =
        Meaning.new(words: "#{range.begin} to #{range.end} #{unit}", fits: ->(value, _) { range.cover?(value) })

      def self.names(known) = known.map(&:to_s).to_set

      REASON = ->(entry) do
        entry.is_a?(Hash) && entry.fetch("text", "").is_a?(String) && entry.fetch("rule", "").is_a?(String)
      end
      SYMPTOMS = names(Progression::Symptoms::ALL.keys)
      UUID = /\A\h{8}-\h{4}-\h{4}-\h{4}-\h{12}\z/
      # What is planned lies ahead, but not so far.
      AHEAD_DAYS = 10 * 366
      LONGEST_MS = 86_400_000

      DONE =
        Meaning.new(
          words: "a day from #{Bounds::EARLIEST} to tomorrow",
          fits: ->(day, today) { Bounds.done(today).cover?(day) }
        )
      PLANNED =
        Meaning.new(
          words: "a day from #{Bounds::EARLIEST} on, not more than ten years ahead",
          fits: ->(day, today) { (Bounds::EARLIEST..(today + AHEAD_DAYS)).cover?(day) }
        )
      MOMENT =
        Meaning.new(
          words: "a moment from #{Bounds::EARLIEST} to tomorrow",
          fits: ->(moment, today) { Bounds.done(today).cover?(moment.to_date) }
        )
      PERSON =
        Meaning.new(
          words: "the uuid of a person, or nothing",
          fits: ->(text, _) { text.empty? || UUID.match?(text) }
        )
      HELD = number(0..1_200_000, "ms")

      OF_TABLE = {
        "athletes" => {
          "born_on" =>
            Meaning.new(
              words: "a day of the last #{Bounds::OLDEST_YEARS} years",
              fits: ->(day, today) { Bounds.born(today).cover?(day) }
            ),
          "disciplines" => ids("disciplines", Protocols::DISCIPLINES.to_set),
          "control_pause_again_on" => PLANNED,
          "consent_due_on" => PLANNED,
          "height_cm" => number(50..260, "cm"),
          "mass_kg" => number(10..300, "kg")
        },
        "screenings" => {
          "conditions" => ids("conditions of the screening", names(Windlass::Screening::MATRIX.conditions.map(&:id)))
        },
        "clearances" => {
          "families" => ids("columns of the screening", names(Windlass::Screening::MATRIX.columns.keys)),
          "expires_on" => PLANNED
        },
        "letters" => {"answer" => mapping("what a clinician answered")},
        "consents" => {"version" => number(1..1000, "")},
        "measures" => {
          "details" => mapping("answers, by field"),
          "kind" =>
            Meaning.new(
              words: "a kind of measure",
              fits: ->(kind, _) { kind == "control_pause" || Measures::KINDS.any? { |one| one.id == kind } }
            )
        },
        "days" => {
          "answers" => ids("answers to the questions of the day", names(Progression::TodaysQuestions::ALL.keys))
        },
        "prescriptions" => {
          "dose" => mapping("a dose"),
          "limits" => mapping("limits, by lever"),
          "moves_by" => PERSON,
          "own_dose" => mapping("a dose")
        },
        "own_protocols" => {"dose" => mapping("a dose")},
        "sessions" => {
          "symptoms" => ids("symptoms", SYMPTOMS),
          "dose" => mapping("a dose"),
          "lowered_to" => mapping("a dose"),
          "forecast" => list("forecasts, hold by hold") { |entry| entry.is_a?(Hash) },
          "told" => mapping("where a run stands"),
          "segments" => list("parts") { |entry| entry.is_a?(Hash) },
          "done_ms" => number(0..LONGEST_MS, "ms"),
          "effort" => number(0..10, ""),
          "washout" => number(-60..60, "mmHg"),
          "run_by" => PERSON
        },
        "rounds" => {
          "number" => number(1..2000, ""),
          "hold" => number(1..2000, ""),
          "target_ms" => number(0..3_600_000, "ms"),
          "held_ms" => HELD,
          "first_urge_ms" => HELD,
          "contraction_ms" => HELD,
          "sao2_low" => number(0.3..1.0, "")
        },
        "journal_events" => {"at_ms" => number(0..LONGEST_MS, "ms"), "marked_by" => PERSON},
        "moves" => {
          "decided_by" => PERSON,
          "reasons" => list("reasons, each with its rule and its text", &REASON),
          "dose_before" => mapping("a dose"),
          "dose_after" => mapping("a dose")
        },
        "suspensions" => {"until_on" => PLANNED, "opened_by" => PERSON, "lifted_by" => PERSON},
        "complaints" => {
          "symptom" =>
            Meaning.new(words: "a symptom", fits: ->(symptom, _) { SYMPTOMS.include?(symptom) }),
          "strength" => number(1..3, ""),
          "seen_by" => PERSON
        },
        "dives" => {
          "seconds" => number(Water::SECONDS, "s"),
          "depth_m" => number(Water::DEPTH_M, "m"),
          "weight_kg" => number(0..40, "kg")
        },
        "events" => {"local_date" => PLANNED},
        "absences" => {
          "from_on" => PLANNED,
          "to_on" => PLANNED
        },
        "programmes" => {
          "starts_on" => PLANNED,
          "left_out" => list("what was left out") { |entry| entry.is_a?(Hash) },
          "loads" => list("loads, week by week") { |entry| entry.is_a?(Hash) }
        },
        "planned_sessions" => {
          "reasons" => list("reasons, each with its rule and its text", &REASON),
          "local_date" => PLANNED,
          "moved_from_on" => PLANNED,
          "at_min" => number(0..1439, "minutes"),
          "begins_min" => number(0..2880, "minutes"),
          "moved_from_min" => number(0..1439, "minutes")
        },
        "slots" => {
          "day" => number(1..7, ""),
          "at_min" => number(0..1439, "minutes"),
          "minutes" => number(1..600, "")
        },
        "corrections" => {"before" => mapping("what stood there, by column")}
      }.freeze
      BY_NAME = {
        "uuid" =>
          Meaning.new(
            words: "a name such as 0b9c1d2e-3f40-4a51-8b62-7c83d94ea5f6",
            fits: ->(text, _) { UUID.match?(text) }
          ),
        /_on\z/ => DONE,
        "local_date" => DONE,
        /_at\z/ => MOMENT
      }.freeze

      # @param table [String]
      # @param column [String]
      # @return [Meaning, nil] nil where its type says all
      def self.meaning(table, column) = OF_TABLE.dig(table, column) || BY_NAME.find { |name, _| name === column }&.last

      # @param value [Object] of its type; not nil
      # @param today [Date]
      # @return [String, nil] what is allowed, where this is not
      def self.fault(table, column, value, today)
        found = meaning(table, column)
        found.words if found && !found.fits?(value, today)
      end

      # @return [ActiveRecord::Type::Value] as which a column of JSON is read
      def self.type(table, column)
        found = meaning(table, column)
        Json.new(found.entry ? [] : {}, found.entry)
      end

      # A column of JSON that is read as what it means: what does not fit is left out, or is nothing, so that one row
      # that somebody broke takes no page with it.
      class Json < ActiveRecord::Type::Json
        # @param empty [Array, Hash] in place of what is no such thing at all
        # @param entry [#call, nil] whether an entry of a list is one
        def initialize(empty, entry)
          super()
          @empty = empty
          @entry = entry
        end

        def deserialize(value)
          found = super
          return found if value.nil?
          return @empty.dup unless found.is_a?(@empty.class)

          @entry ? found.select { |one| @entry.call(one) } : found
        end
      end
    end
  end
end
