# frozen_string_literal: true

module Windlass
  module Progression
    # One session as the judge sees it. date is the local date of its start; light sessions neither count nor break a
    # row.
    Session =
      Value.define(
        :id, :date, :protocol, :dose, :effort, :symptoms, :rounds_planned, :rounds, :seconds_done, :light, :ended_at,
        :washout, :unrated_sets, :ribs, :once, :refused
      ) do
        # @param effort [Numeric, nil] 0-10, category-ratio scale (Borg 1982, from memory)
        # @param symptoms [Array<Symbol>] of {Symptoms}
        # @param protocol [String] of the library, or an {Activity} besides
        # @param seconds_done [Numeric, nil] how long it ran
        # @param ended_at [Time, nil]
        # @param washout [Float, nil] the strongest that was forecast for it, mmHg
        # @param unrated_sets [Array<Integer>] sets of the day whose effort nobody noted
        # @param once [Boolean] it was run once, beside a ladder: it neither counts in a row nor breaks one
        # @param refused [Boolean] readiness would have refused it: it was done, and counts toward no step
        # @param ribs [Symbol, nil] of {RIBS_STAYED}, said of the whole session
        def initialize(
          id:,
          date:,
          protocol:,
          dose:,
          rounds:,
          effort: nil,
          symptoms: [],
          rounds_planned: rounds.size,
          seconds_done: nil,
          light: false,
          ended_at: nil,
          washout: nil,
          unrated_sets: [],
          ribs: nil,
          once: false,
          refused: false
        )
          super
        end

        include Past

        # A day's sets are one session: rounds in order, each with the number of its set, the hardest effort, every
        # symptom. False starts among them are none.
        # @param sets [Array<Session>] of one protocol, one dose and one day, in order of their start
        # @param rounds_planned [Integer] what the dose asks of the whole day
        def self.of_day(sets, rounds_planned: sets.last.activity.rounds(sets.last.dose))
          if sets.size == 1
            return (sets[0].rounds_planned == rounds_planned) ? sets[0] : sets[0].with(rounds_planned: rounds_planned)
          end

          real = sets.reject(&:false_start?)
          real = sets.last(1) if real.empty?
          efforts = real.map(&:effort)
          real.last.with(
            rounds: (real.size > 1) ? named(real) : real.last.rounds,
            effort: efforts.compact.max,
            unrated_sets: (real.size > 1) ? (1..real.size).select { |number| efforts[number - 1].nil? } : [],
            symptoms: real.flat_map(&:symptoms).uniq,
            light: real.any?(&:light),
            refused: real.any?(&:refused),
            rounds_planned: rounds_planned,
            washout: real.filter_map(&:washout).max,
            seconds_done: (real.sum { |set| set.seconds_done.to_f } if real.any?(&:seconds_done))
          )
        end

        def self.named(sets)
          sets.each.with_index(1).flat_map { |set, number| set.rounds.map { |round| round.with(set: number) } }
        end
        private_class_method :named

        # @return [Boolean] something of it was done at all
        def begun? = rounds.any?(&:held?) || (by_minutes? && seconds_done.to_f > 0)

        # @return [Boolean] no session: nothing was done, or it was left within the first round, and nothing came of it.
        #   What left a mark (a symptom, a gasp, a low reading) is one all the same.
        def false_start?
          marks = symptoms.any? || rounds.any? { |round| round.first_breath == :gasp || round.sao2_low }
          !marks && (!begun? || (!by_minutes? && rounds_planned > 1 && rounds.size <= 1 && rounds.all?(&:short?)))
        end

        # @return [Boolean] it counts: in a row, as one of a day's
        def counts? = begun? && !false_start?

        # @return [Boolean] the first breath after each hold is known, and was smooth
        def calm? =
          rounds.select(&:held?).then { |held| held.any? && held.all? { |round| round.first_breath == :smooth } }

        # @return [Boolean] it ran, whether anything was held or not: walls go by this
        def ran? = rounds.any?(&:held?) || seconds_done.nil? || seconds_done > 0

        # @return [Boolean] without holds a dose is judged on its minutes
        def by_minutes? = activity.judged_by_minutes?(dose)

        def holds? = activity.holds_in?(dose)

        # Of a session of blocks each one alone, with its rounds numbered from 1.
        # @return [Array<Array(Protocols::Blocks::Block, Session)>]
        def by_block
          blocks = activity
          places = blocks.judged_parts(blocks.compile(dose)).map(&:block)
          blocks
            .runs
            .map
            .with_index(1) do |run, number|
              own = places.each_index.select { |index| places[index] == number }.map { |index| index + 1 }
              done =
                rounds
                  .select { |round| own.include?(round.number) }
                  .map { |round| round.with(number: own.index(round.number) + 1) }
              [
                run,
                with(
                  protocol: run.protocol.id,
                  dose: run.dose,
                  rounds: done,
                  rounds_planned: run.protocol.rounds(run.dose) / run.protocol.sets(run.dose)
                )
              ]
            end
        end

        # @return [Numeric] seconds held; of voice work, whose rounds are exhales, as much of its holds as was done of
        #   those
        def hold_seconds
          return by_block.sum { |_, part| part.hold_seconds } if activity.judged == :mixed

          done = rounds.select(&:held?)
          return done.sum(&:held_s) if activity.judged == :holds

          (dose && rounds_planned > 0) ? activity.hold_seconds(dose) * [Rational(done.size, rounds_planned), 1].min : 0
        end
      end
  end
end
