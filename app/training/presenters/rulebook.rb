# frozen_string_literal: true

module Windlass
  module Presenters
    # The whole rulebook, made from the rules themselves: the page in the application and docs/rulebook.md are this.
    class Rulebook
      # A table with what stands above it.
      Section = Value.define(:title, :lead, :columns, :rows)

      STATE_WORDS = {block: "not today", wait: "wait", light: "light day", yes: "start lower"}.freeze

      # @return [Array<Section>] in reading order
      def sections = [verdicts, readiness, questions, programme, RulebookLadders.section, screening]

      # @return [String] the same as Markdown
      def markdown
        parts =
          sections.map do |section|
            table =
              [section.columns, section.columns.map { "---" }, *section.rows].map { |row| "| #{row.join(" | ")} |" }
            "## #{section.title}\n\n#{section.lead}\n\n#{table.join("\n")}\n"
          end
        "# The rulebook\n\nMade from the rules themselves by `rake docs:rulebook`; a spec finds it out of date. " \
        "Common practice, cautiously " \
          "set; it replaces no medical advice and no local rule.\n\n#{parts.join("\n")}"
      end

      private

      def verdicts
        Section.new(
          title: "Verdicts",
          columns: ["rule", "verdict", "fires when"],
          rows: Progression::Rules::ALL.map { |rule| [rule.id, rule.verdict.to_s, rule.fires_when] },
          lead:
            "After a session. The strongest verdict wins: #{Progression::VERDICTS.join(", ")}. Every reason that " \
            "fired is listed. The coach may overrule with a reason; never a stop."
        )
      end

      def readiness
        rows =
          Progression::Readiness::ALL.map do |rule|
            [rule.id, STATE_WORDS.fetch(rule.state), rule.fires_when, rule.effect]
          end
        Section.new(
          title: "Readiness",
          columns: ["rule", "says", "fires when", "effect"],
          rows: rows,
          lead:
            "Before a session. The strongest wins; the session is done at the lowest rung of all that fired; every " \
            "no says what lifts it."
        )
      end

      def questions
        rows =
          Progression::TodaysQuestions::ALL.map do |id, words|
            [words, Progression::TodaysQuestions::BARRING.key?(id) ? "quiet breathing only" : "no over-breathing"]
          end
        Section.new(
          title: "Today's questions",
          columns: %w[said means],
          rows: rows,
          lead: "Asked before the first session of a day."
        )
      end

      def programme
        Section.new(
          title: "Programme",
          columns: ["rule", "fires when", "effect"],
          rows: Programme::Rules::ALL.map { |rule| [rule.id, rule.fires_when, rule.effect] },
          lead:
            "Between planned sessions, what was done, and water all rules of readiness hold. An easy week has two " \
            "thirds of each training's times, rounded up. No planned day can be forced."
        )
      end

      def screening
        matrix = Screening::MATRIX
        rows =
          matrix.conditions.map do |one|
            [one.question, *matrix.columns.keys.map { |column| one.states.fetch(column).to_s }]
          end
        Section.new(
          title: "Screening",
          columns: ["condition", *matrix.columns.values],
          rows: rows,
          lead:
            "What each condition leaves open; the strictest wins. Clearance: a clinician's word with a date and an " \
            "expiry. Quiet breathing itself is always open."
        )
      end
    end
  end
end
