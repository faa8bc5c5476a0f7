# frozen_string_literal: true

module Windlass
  module Protocols
    # What every protocol family answers. A dose is a frozen Hash, keyed by the family's parameters; `breaks`, where it
    # has any, are single rounds that leave the pattern.
    #
    # A family says what it is with `about`, `parameter`, `detail`, `settles`, `rests` and `lever`, and defines
    # `starting_dose(measures)`, `write(line, dose)` and `pattern_in_words(dose)`.
    class Protocol
      extend Parts
      include Parts::Written

      class << self
        # @see Facts
        def about(**facts) = @facts = Facts.new(**facts)

        # @see Parameter
        def parameter(key, words, unit = nil, range = nil, **more)
          parameters << Parameter.new(key: key, words: words, unit: unit, range: range, **more)
        end

        # A parameter that few change: it stands under *More*, no ladder moves it, and a dose without it has what is
        # usual.
        # @see Parameter
        def detail(key, words, unit = nil, range = nil, **more) =
          parameter(key, words, unit, range, folded: true, optional: true, **more)

        # @see Lever; words and unit are those of the parameter
        def lever(key, **more)
          named = parameters.find { |one| one.key == key }
          levers << Lever.new(key: key, words: named.words, unit: named.unit, names: named.names, **more)
        end

        attr_reader :facts, :settling

        def parameters = @parameters ||= []

        def levers = @levers ||= []

        # @return [Hash{Symbol => Object}] what a dose has where it does without
        def usual = @usual ||= parameters.reject { |one| one.usual.nil? }.to_h { |one| [one.key, one.usual] }.freeze
      end

      Facts.members.each { |fact| define_method(fact) { self.class.facts[fact] } }

      %i[holds over_breathing strenuous once_a_day watched opt_in by_minutes ribs_asked].each do |fact|
        define_method(:"#{fact}?") { public_send(fact) }
      end

      # @return [Array<Parameter>] in the order in which they are set
      def parameters = self.class.parameters.partition { |one| !one.folded }.flatten(1)

      # @return [Array<Lever>] in the order in which the ladder moves them
      def levers = self.class.levers

      # @return [Object, nil] what a dose has there; what is usual where it does without
      def setting(dose, key)
        dose.fetch(key) { usual[key] }
      end

      # @param _parameter [Parameter] in which nothing is chosen
      # @return [String, nil] what is true of it then, in words
      def unset_words(_parameter, _dose) = nil

      # @return [Hash] without what is as usual: a dose is written in one way only
      def lean(dose) = dose.reject { |key, value| usual.key?(key) && usual[key] == value }.freeze

      # @param _dose [Hash]
      # @return [Protocol] with the facts of that dose, where they hang on it
      def bound(_dose) = self

      # No ladder needs more: a guard against levers without an end.
      MOST_RUNGS = 200

      # @return [Integer] rungs that its ladder has at most
      def most_rungs = MOST_RUNGS

      # What is merely logged has no ladder.
      def laddered? = levers.any?

      # @param measures [Measures::Values]
      # @return [Hash, nil] the starting dose; nil where a measure that it needs is missing or too small
      def start(measures) = lacking(measures) ? nil : starting_dose(measures).freeze

      # @return [String, nil] which measure is missing, or too small
      def lacking(measures)
        needs.each do |measure, least|
          has = measures[measure] or return "#{name} needs #{Measures::NAMES.fetch(measure)} first."
          if measure == :control_pause_s && !Measures::DOSING_S.cover?(has)
            return (
              "A control pause of #{Words.seconds(has)} doses nothing: measure again. #{Measures::DOSING_S.begin} " \
              "to #{Measures::DOSING_S.end} s can."
            )
          end
          if has < least
            return "#{name} needs #{Measures::NAMES.fetch(measure)} of #{least} s or more; it is #{Words.seconds(has)}."
          end
        end
        nil
      end

      # @param dose [Hash]
      # @param body [Physiology::Body] whose breaths they are: how deep those of a pattern have to be
      # @return [Timeline::Compiled] one set
      def compile(dose, body = Physiology::REFERENCE_BODY)
        whole = Timeline::Compiler.compile(before: worked_up(dose)) { |line| write(line, dose) }
        broken = Timeline::Breaks.apply(whole, breaks_of_pattern(dose))
        fitted = Timeline::Depths.fitted(broken, body) { |segment| needs_of_breath(segment, dose) }
        Timeline::Said.apply(fitted, dose.fetch(:said, {}))
      end

      # @return [String] the dose as a coach says it: the pattern, what differs from the usual, rounds that leave the
      #   pattern
      def in_words(dose)
        [
          pattern_in_words(dose),
          *details_in_words(dose),
          *Timeline::Breaks.in_words(dose.fetch(:breaks, []), last: last_round(dose))
        ].join(", ")
      end

      # @return [String] the dose where there is little room
      def in_short(dose) = in_words(dose)

      # @return [String] what stands above a page about it
      def heading(dose) = in_words(dose)

      # @return [Array<String>] its blocks in words, where it has several
      def blocks_in_words(_dose) = []

      # @param dose [Hash, nil] nil: not known
      # @return [Boolean] this very dose holds something
      def holds_in?(_dose) = holds

      # @return [Boolean] what there is to judge is its minutes
      def judged_by_minutes?(dose) = by_minutes || !(judged == :sounds || holds_in?(dose))

      # @param disciplines [Array<String>] of an athlete
      # @return [Boolean] a drill that some schools never do is opted into by what the athlete does
      def for_disciplines?(disciplines) = !opt_in? || disciplines.intersect?(self.disciplines)

      # @return [Array<Protocol>] families that are in it
      def families = [self]

      def family_ids = families.map(&:id)

      # @return [Protocol] under which it is prescribed
      def named(_name) = self

      # @return [Array<Symbol>] columns that are asked about before every session; those of single doses are asked by
      #   the ladder
      def asked_columns = [column].compact

      # @param compiled [Timeline::Compiled, nil] of that dose, where it is there already
      # @return [Set<Integer>] numbers of the holds after which a first breath is asked for
      def asked_holds(dose, compiled = nil)
        case first_breath
        when :never
          Set.new
        when :hold
          (compiled || compile(dose)).holds.to_set(&:number)
        when :end
          (compiled || compile(dose)).holds.last(1).to_set(&:number)
        else
          asked_after(dose)
        end
      end

      # @return [Set<Integer>] numbers of the holds after which a first breath is asked for, where not after each
      def asked_after(dose)
        parts =
          compile(dose).holds.group_by do |place|
            [place.segment.round, (place.segment.cycle if first_breath == :cycle)]
          end
        parts.values.map { |holds| holds.last.number }.to_set
      end

      # @param dose [Hash]
      # @return [Array<Symbol>] columns of the screening table that this dose falls under; the strictest binds
      def columns(_dose) = [column].compact

      # @return [Array<Symbol>] what has to be switched on for an athlete before this dose is offered
      def switches_needed(_dose) = []

      # What a family asks besides is asked by its ladder.
      def refusals(_screen, _measures) = []

      # What the gas model sets of a dose; most doses it leaves as they are.
      # @param body [Physiology::Body, nil] nil: nobody is known
      # @param before [Array<Timeline::Segment>] what comes before it
      def fitted(dose, _body, before: []) = dose

      # @param dose [Hash] fitted
      # @return [String, nil] why nothing is left of it for that body
      def objection(_dose) = nil

      # @param _segment [Timeline::Segment] a hold
      # @return [Numeric, nil] washout that never is at its start, mmHg
      def washout_limit(_segment) = nil

      # @param dose [Hash, nil] nil: not known
      # @return [Boolean] a dry drill, before whose holds so few deep breaths come that what they wash out is no
      #   over-breathing
      def spares?(dose) = drill? && !dose.nil? && Timeline::DeepBreaths.few?(compile(dose))

      # @return [Boolean] nothing in it breathes too much on purpose, and it is neither a table nor a long hold: of
      #   those there is one a day
      def drill? = !over_breathing? && !once_a_day?

      # @param _dose [Hash, nil]
      # @param _measures [Measures::Values, nil]
      # @return [Boolean] it comes with a workout, as often as that does, while its first breaths stay smooth
      def daily?(_dose, _measures) = false

      # @return [Boolean] its holds end at the urge, and are only offered where that is forecast to come before their
      #   cap
      def waits_for_urge?(_dose) = false

      # @return [String, nil] what the gas model cuts of a dose as it was typed, and why
      def cut_words(_typed, _fitted) = nil

      # What ends by hand gets a latest end, where the gas model has to set one.
      # @param compiled [Timeline::Compiled] of a dose, for that body
      # @return [Timeline::Compiled]
      def bounded(compiled, _dose, _body) = compiled

      # @return [Array<Array(Integer, String)>] what is called while it runs, at milliseconds of the session's clock
      def calls(_dose) = []

      # @param _dose [Hash]
      # @param way [Symbol, nil] :none, :up or :down; nil: as is usual here
      # @return [Proc] what is counted aloud of a block, and which way
      def counting(_dose, way: nil) = ->(_block) { counted_aloud && [counted_aloud.first, way || counted_aloud.last] }

      # @param _dose [Hash]
      # @return [String, nil] what tells it from another block of its family, in words that are said: `narrowed in`
      def told_apart(_dose) = nil

      # @param _dose [Hash]
      # @return [Hash{Integer => String}] names of its blocks, where it has several
      def named_blocks(_dose) = {}

      # @param one [Hash, nil] nil: not known, and the same as none
      # @return [Boolean] two doses of one rung
      def same_dose?(one, other) =
        one == other || (computed.any? && [one, other].all? && one.except(*computed) == other.except(*computed))

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

      # @param compiled [Timeline::Compiled] of a dose
      # @return [Array<Timeline::Compiled::Placed, Timeline::Compiled::Sounded>] what is judged of it: holds, or sounded
      #   exhales
      def judged_parts(compiled) = compiled.judged(judged)

      PARTS_CALLED = BoundedCache.new(1_000)
      private_constant :PARTS_CALLED

      # @param dose [Hash, nil] nil: not known
      # @return [String] what a judged part is called by its number: a round; a hold, where a round has several
      def part_called(dose)
        return "round" if dose.nil? || judged == :sounds

        PARTS_CALLED.fetch([id, dose]) do
          rounds = compile(dose).holds.filter_map { |place| place.segment.round }
          (rounds.uniq.size < rounds.size) ? "hold" : "round"
        end
      end

      # @return [Integer] judged parts that a whole session of this dose has to have
      def rounds(dose) = judged_parts(compile(dose)).size * sets(dose)

      # @return [Boolean] a day of it may be several sets
      def several_sets? = parameters.any? { |one| one.key == :sets }

      # @return [Hash] half of what an ease at the lowest rung halves; counted things stay whole
      def halved(dose)
        half = dose[halves]/2r
        dose.merge(
          halves => Numbers.plain((parameters.find { |one| one.key == halves }.unit == :min) ? half : half.ceil)
        ).freeze
      end

      # @return [Hash] the dose whose half it is
      def doubled(dose) = dose.merge(halves => dose[halves] * 2).freeze

      # @param _block [Integer, nil] in which block, where there are some
      # @return [Boolean] its holds are shorter than those of another dose
      def shorter_holds?(dose, than, _block = nil) = longest_hold_s(dose) < longest_hold_s(than)

      # A light day: holds shorter by a fifth, down to five seconds; two thirds of the rounds.
      LIGHT_HOLD = 4 / 5r
      LIGHT_ROUNDS = 2 / 3r
      LIGHT_STEP_S = 5

      # @return [Hash]
      def lightened(dose)
        shorter =
          parameters
            .select { |one| one.shapes == :hold && one.unit == :s && dose[one.key] }
            .to_h { |one| [one.key, light_hold(dose[one.key], one.range.begin)] }
        breaks =
          dose[:breaks]&.map do |one|
            if one[:hold_s]
              one.merge(hold_s: light_hold(one[:hold_s], Timeline::Breaks::LENGTHS_S[:hold_s].begin)).freeze
            else
              one
            end
          end
        dose.merge(shorter, {breaks: breaks&.freeze}.compact, halves => (dose[halves] * LIGHT_ROUNDS).ceil).freeze
      end

      def light_step_s = LIGHT_STEP_S

      # @param dose [Hash] as it came
      # @return [Hash{Symbol => String}] by key: `900 is not allowed; allowed: 5 to 300 s`
      def faults(dose)
        unknown = (dose.keys - parameters.map(&:key) - BESIDES).to_h { |key| [key, "is not known here"] }
        parameters.each_with_object(unknown) do |parameter, faults|
          next if (parameter.optional || computed.include?(parameter.key)) && dose[parameter.key].nil?

          fault = dose.key?(parameter.key) ? parameter.fault(dose[parameter.key]) : "is missing"
          faults[parameter.key] = fault if fault
        end
      end

      # @param _measures [Measures::Values, nil] of the athlete; nil: for nobody
      # @return [Array<Array(Symbol, Symbol, String)>] what is to be minded of a dose: key, level, words
      def warnings(_dose, _measures = nil) = []

      # @return [Boolean] what is held at comfort is a baseline to look at, full and empty apart
      def baseline? = false

      # @return [Array<String>] what the coach noted
      def notes(dose) = [dose.to_h.dig(:said, Timeline::Said::NOTE)].compact

      # What any dose may have besides: rounds that leave the pattern, and the coach's own words.
      BESIDES = %i[breaks said].freeze

      private

      # @param segment [Timeline::Segment] a breath in
      # @return [Numeric, nil] how many times as big as the body needs it; nil: to its level
      def needs_of_breath(_segment, _dose) = paced ? 1 : nil

      def usual = self.class.usual

      def last_round(dose) = dose[halves]

      # Single rounds that are not written as they are already.
      def breaks_of_pattern(dose) = dose.fetch(:breaks, [])

      # What few change is told only where it was changed.
      def details_in_words(dose)
        parameters
          .select { |one| one.folded && dose.key?(one.key) && dose[one.key] != one.usual }
          .map { |one| one.told(dose[one.key]) }
      end

      def light_hold(hold_s, least_s) =
        [Numbers.plain(Numbers.down_to_multiple(hold_s * LIGHT_HOLD, light_step_s)), least_s].max
    end
  end
end
