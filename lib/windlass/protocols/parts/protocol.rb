# frozen_string_literal: true

module Windlass
  module Protocols
    # What every protocol family answers. A dose is a frozen Hash, keyed by the family's parameters; `breaks`, where it has
    # any, are single rounds that leave the pattern.
    #
    # A family says what it is with `about`, `parameter` and `lever`, and defines `starting_dose(measures)`,
    # `write(line, dose)` and `in_words(dose)`.
    class Protocol
      class << self
        # @see Facts
        def about(**facts) = @facts = Facts.new(**facts)

        # @see Parameter
        def parameter(key, words, unit = nil, range = nil, **more)
          parameters << Parameter.new(key: key, words: words, unit: unit, range: range, **more)
        end

        # @see Lever; words and unit are those of the parameter
        def lever(key, **more)
          named = parameters.find { |one| one.key == key }
          levers << Lever.new(key: key, words: named.words, unit: named.unit, **more)
        end

        attr_reader :facts

        def parameters = @parameters ||= []

        def levers = @levers ||= []
      end

      Facts.members.each { |fact| define_method(fact) { self.class.facts[fact] } }

      alias_method :holds?, :holds
      alias_method :over_breathing?, :over_breathing
      alias_method :strenuous?, :strenuous
      alias_method :once_a_day?, :once_a_day
      alias_method :watched?, :watched
      alias_method :opt_in?, :opt_in
      alias_method :by_minutes?, :by_minutes

      # @return [Array<Parameter>] in the order in which they are set
      def parameters = self.class.parameters

      # @return [Array<Lever>] in the order in which the ladder moves them
      def levers = self.class.levers

      # What is merely logged has no ladder.
      def laddered? = levers.any?

      # @param measures [Measures::Values]
      # @return [Hash, nil] the starting dose; nil where a measure that it needs is missing or too small
      def start(measures) = lacking(measures) ? nil : starting_dose(measures).freeze

      # @return [String, nil] which measure is missing, or too small
      def lacking(measures)
        needs.each do |measure, least|
          has = measures[measure] or return "#{name} needs #{Measures::NAMES.fetch(measure)} first."
          return "A control pause of #{Words.seconds(has)} doses nothing: measure again. #{Measures::DOSING_S.begin} to #{Measures::DOSING_S.end} s can." if measure == :control_pause_s && !Measures::DOSING_S.cover?(has)
          return "#{name} needs #{Measures::NAMES.fetch(measure)} of #{least} s or more; it is #{Words.seconds(has)}." if has < least
        end
        nil
      end

      # @param dose [Hash]
      # @param body [Physiology::Body] whose breaths they are: how deep those of a pattern have to be
      # @return [Timeline::Compiled] one set
      def compile(dose, body = Physiology::REFERENCE_BODY)
        whole = Timeline::Compiler.compile { |line| write(line, dose) }
        broken = Timeline::Breaks.apply(whole, dose.fetch(:breaks, []))
        Timeline::Depths.fitted(broken, body) { |segment| needs_of_breath(segment) }
      end

      # @param dose [Hash, nil] nil: not known
      # @return [Boolean] this very dose holds something
      def holds_in?(_dose) = holds

      # @return [Boolean] what there is to judge is its minutes
      def judged_by_minutes?(dose) = by_minutes || !(judged == :sounds || holds_in?(dose))

      # @return [Set<Integer>] numbers of the holds after which a first breath is asked for, where not after each
      def asked_after(dose)
        parts = compile(dose).holds.group_by { |place| [place.segment.round, (place.segment.cycle if first_breath == :cycle)] }
        parts.values.map { |holds| holds.last.number }.to_set
      end

      # @param dose [Hash]
      # @return [Array<Symbol>] columns of the screening table that this dose falls under; the strictest binds
      def columns(_dose) = [column].compact

      # What a family asks besides is asked by its ladder.
      def refusals(_screen, _measures) = []

      # What the gas model sets of a dose; most doses it leaves as they are.
      # @param body [Physiology::Body, nil] nil: nobody is known
      def fitted(dose, _body) = dose

      # @param dose [Hash] fitted
      # @return [String, nil] why nothing is left of it for that body
      def objection(_dose) = nil

      # What ends by hand gets a latest end, where the gas model has to set one.
      # @param compiled [Timeline::Compiled] of a dose, for that body
      # @return [Timeline::Compiled]
      def bounded(compiled, _dose, _body) = compiled

      # @param one [Hash, nil] nil: not known, and the same as none
      # @return [Boolean] two doses of one rung
      def same_dose?(one, other) = one == other || (computed.any? && [one, other].all? && one.except(*computed) == other.except(*computed))

      # Sets that together make one session, on one day.
      def sets(dose) = dose.fetch(:sets, 1)

      # @return [Numeric] seconds of a whole session of this dose
      def seconds(dose) = Rational(compile(dose).total_ms, 1000) * sets(dose)

      # @return [Numeric] seconds held in a whole session of this dose
      def hold_seconds(dose) = Rational(compile(dose).hold_ms, 1000) * sets(dose)

      # @return [Numeric] the longest hold that it plans, seconds
      def longest_hold_s(dose)
        return [dose[hold_key], *dose.fetch(:breaks, []).filter_map { |one| one[:hold_s] }].max if hold_key

        compile(dose).holds.map { |place| place.segment.seconds }.max || 0
      end

      # @return [Integer] judged parts that a whole session of this dose has to have: holds, or sounded exhales
      def rounds(dose) = compile(dose).judged(judged).size * sets(dose)

      # @return [Boolean] a day of it may be several sets
      def several_sets? = parameters.any? { |one| one.key == :sets }

      # @return [Hash] half of what an ease at the lowest rung halves; counted things stay whole
      def halved(dose)
        half = dose[halves]/2r
        dose.merge(halves => Numbers.plain((parameters.find { |one| one.key == halves }.unit == :min) ? half : half.ceil)).freeze
      end

      # A light day: holds shorter by a fifth, down to five seconds; two thirds of the rounds.
      LIGHT_HOLD = 4/5r
      LIGHT_ROUNDS = 2/3r
      LIGHT_STEP_S = 5

      # @return [Hash]
      def lightened(dose)
        shorter = parameters.select { |one| one.shapes == :hold && one.unit == :s && dose[one.key] }.to_h do |one|
          [one.key, light_hold(dose[one.key], one.range.begin)]
        end
        breaks = dose[:breaks]&.map { |one| one[:hold_s] ? one.merge(hold_s: light_hold(one[:hold_s], Timeline::Breaks::LENGTHS_S[:hold_s].begin)).freeze : one }
        dose.merge(shorter, {breaks: breaks&.freeze}.compact, halves => (dose[halves] * LIGHT_ROUNDS).ceil).freeze
      end

      def light_step_s = LIGHT_STEP_S

      # @param dose [Hash] as it came
      # @return [Hash{Symbol => String}] by key: `900 is not allowed; allowed: 5 to 300 s`
      def faults(dose)
        unknown = (dose.keys - parameters.map(&:key) - [:breaks]).to_h { |key| [key, "is not known here"] }
        parameters.each_with_object(unknown) do |parameter, faults|
          next if (parameter.optional || computed.include?(parameter.key)) && dose[parameter.key].nil?

          fault = dose.key?(parameter.key) ? parameter.fault(dose[parameter.key]) : "is missing"
          faults[parameter.key] = fault if fault
        end
      end

      private

      # @param segment [Timeline::Segment] a breath in
      # @return [Numeric, nil] how many times as big as the body needs it; nil: to its level
      def needs_of_breath(_segment) = paced ? 1 : nil

      def light_hold(hold_s, least_s) = [Numbers.plain(Numbers.down_to_multiple(hold_s * LIGHT_HOLD, light_step_s)), least_s].max
    end
  end
end
