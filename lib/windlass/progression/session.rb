# frozen_string_literal: true

module Windlass
  module Progression
    # One hold as it was done. target_s is nil where a hold ends at the urge, at comfort or at a cap.
    Round = Value.define(:number, :set, :target_s, :held_s, :skipped, :first_breath, :sao2_low) do
      # @param number [Integer] within its set
      # @param set [Integer, nil] which of the day's sets, where there are several
      # @param first_breath [Symbol, nil] :smooth, :deeper or :gasp; nil: not noted
      # @param sao2_low [Float, nil] lowest oximeter reading, 0..1
      def initialize(number:, held_s:, set: nil, target_s: nil, skipped: false, first_breath: nil, sao2_low: nil)
        super
      end

      def held? = !skipped && !held_s.nil? && held_s > 0

      def short? = against_target { |target| held_s < 0.9 * target }

      def over? = against_target { |target| held_s > 1.1 * target }

      private

      def against_target = !target_s.nil? && !held_s.nil? && !skipped && yield(target_s)
    end

    # One session as the judge sees it. date is the local date of its start; light sessions neither count nor break a row.
    Session = Value.define(:id, :date, :protocol, :dose, :effort, :symptoms, :rounds_planned, :rounds, :seconds_done, :light, :ended_at, :washout) do
      # @param effort [Numeric, nil] 0-10, category-ratio scale (Borg 1982, from memory)
      # @param symptoms [Array<Symbol>] of {Symptoms}
      # @param protocol [String] of the library, or an {Activity} besides
      # @param seconds_done [Numeric, nil] how long it ran
      # @param ended_at [Time, nil]
      # @param washout [Float, nil] the strongest that was forecast for it, mmHg
      def initialize(id:, date:, protocol:, dose:, rounds:, effort: nil, symptoms: [], rounds_planned: rounds.size,
        seconds_done: nil, light: false, ended_at: nil, washout: nil)
        super
      end

      include Past

      # A day's sets are one session: rounds in order, the hardest effort, every symptom.
      # @param sets [Array<Session>] of one protocol, one dose and one day, in order of their start
      # @param name_sets [Boolean] say of each round which set it was in; of the past nobody asks
      # @param rounds_planned [Integer] what the dose asks of the whole day
      def self.of_day(sets, name_sets: true, rounds_planned: Protocols.find(sets.last.protocol).rounds(sets.last.dose))
        rounds = (name_sets && sets.size > 1) ? named(sets) : sets.flat_map(&:rounds)
        efforts = sets.map(&:effort)
        sets.last.with(rounds: rounds, effort: efforts.include?(nil) ? nil : efforts.max,
          symptoms: sets.flat_map(&:symptoms).uniq, light: sets.any?(&:light), rounds_planned: rounds_planned,
          seconds_done: sets.filter_map(&:seconds_done).sum)
      end

      def self.named(sets)
        sets.each.with_index(1).flat_map { |set, number| set.rounds.map { |round| round.with(set: number) } }
      end
      private_class_method :named

      # @return [Boolean] something of it was done at all
      def begun? = rounds.any?(&:held?) || (ACTIVITIES.include?(activity) || activity.by_minutes?) && seconds_done.to_f > 0

      def holds? = Protocols.find(protocol).holds?

      # @return [Numeric] seconds held
      def hold_seconds = rounds.select(&:held?).sum(&:held_s)
    end
  end
end
