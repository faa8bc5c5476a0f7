# frozen_string_literal: true

module Windlass
  module Protocols
    # A session of blocks: families one after the other, each with its dose and so many times, and between them nothing,
    # a time, or a wait for the coach. Gases carry over from block to block; it is screened as the strictest of them,
    # and judged block by block. What it is hangs on its blocks: {#bound}. Common practice, no source.
    class Blocks < Protocol
      ID = "blocks"
      MOST = 20
      # Breaths, holds and pauses of a whole session: nearly an hour of slow breathing.
      MOST_PARTS = 800
      # So many parts a ladder may write out over all of its rungs.
      LADDER_PARTS = 12_000
      REPEATS = (1..20)
      GAP_S = (1..1200)
      WAIT = "wait"
      # How long a wait for the coach is expected to be.
      WAIT_S = 60

      # One block. after: nil, seconds, or {WAIT}. number: from 1 on; time: which of its repeats. series: a number; the
      # ladder moves all blocks of a family that have the same one alike.
      Block =
        Value.define(:protocol, :dose, :repeats, :after, :number, :time, :series) do
          def name = protocol.name

          # @return [String] `block 2, hiss ladder`
          def in_words = "block #{number}, #{name.downcase}"
        end

      about id: ID,
        name: "Session of blocks",
        goal: :calm,
        column: nil,
        places: %i[chair mat],
        first_breath: :mixed,
        judged: :mixed,
        trains: "Several families one after the other, as one session.",
        cautions: []

      # @return [Protocol] the family, or one of a given name
      def self.find(id) = new(id: id).freeze

      # @return [Boolean] an id of such a session: `blocks`, `blocks:morning-flow`
      def self.id?(id) = id == ID || id.to_s.start_with?("#{ID}:")

      attr_reader :id, :blocks

      # @param blocks [Array<Block>]
      def initialize(id: ID, blocks: [])
        super()
        @id = id
        @blocks = blocks.freeze
        # Few ask for them, and a session is bound to many doses.
        @lazy = {}
      end

      def bound(dose)
        return self if dose.nil?

        given = dose.fetch(:blocks, []).map.with_index(1) { |one, number| block(one, number) }
        self.class.new(id: id, blocks: given).freeze
      end

      # @return [Array<Lever>] those of all blocks, in their order: each moves one number of one block, or of a series
      def levers =
        @lazy[:levers] ||= moved_alike
          .flat_map { |same| same.first.protocol.levers.map { |lever| SeriesLever.of(lever, same.map(&:number)) } }
          .freeze

      # @return [Array<Array<Block>>] a series, or one alone, in the order of their first blocks
      def moved_alike = blocks.group_by { |one| one.series ? [one.protocol.id, one.series] : one.number }.values

      # @param name [String, nil] that the coach gave
      # @return [Protocol] under an id of its own: several such sessions may be prescribed beside each other
      def named(name)
        made_of = (name || blocks.map { |one| one.protocol.id }.join(" ")).downcase
        slug = made_of.gsub(/[^a-z0-9]+/, "-").gsub(/\A-|-\z/, "")[0, 50]
        # Letters that an address leaves out still tell two names apart.
        told_apart = (Zlib.crc32(made_of).to_s(36) unless made_of.ascii_only? && made_of.size <= 50)
        self.class.new(id: "#{ID}:#{[slug, told_apart].compact.join("-")}", blocks: blocks).freeze
      end

      # @return [Array<Block>] every one as often as it comes; only the first time has its settling
      def runs
        blocks.flat_map do |one|
          (1..one.repeats).map do |time|
            one.with(
              time: time,
              after: (one.after if time == one.repeats),
              dose: (time == 1) ? one.dose : unsettled(one)
            )
          end
        end
      end

      %i[holds over_breathing strenuous once_a_day watched paced].each do |fact|
        define_method(fact) { families.any?(&fact) }
      end

      def opt_in = families.any?(&:opt_in)

      def for_disciplines?(disciplines) = families.all? { |one| one.for_disciplines?(disciplines) }

      def disciplines = families.select(&:opt_in).flat_map(&:disciplines).uniq

      def families = blocks.map(&:protocol).uniq

      def clean_sessions = families.map(&:clean_sessions).max || 2

      def posture = (families.any? { |one| one.posture == :lying }) ? :lying : :seated

      def places =
        (families.map(&:places).reduce { |known, more| known & more } || []).then do |shared|
          shared.empty? ? families.flat_map(&:places).uniq : shared
        end

      def cautions = families.flat_map(&:cautions).uniq

      def needs =
        families.map(&:needs).reduce({}) { |known, more| known.merge(more) { |_, one, other| [one, other].max } }

      def computed = (families.any? { |one| one.computed.any? }) ? [:blocks] : []

      def asked_columns = families.flat_map(&:asked_columns).uniq

      def lacking(measures) = families.filter_map { |one| one.lacking(measures) }.first

      # It begins with the dose that it was composed with, and with no other.
      def start(_measures) = nil

      def laddered? = levers.any?

      def worked_up(dose) = bound(dose).blocks.first&.then { |one| one.protocol.worked_up(one.dose) } || []

      def columns(dose) = bound(dose).blocks.flat_map { |one| one.protocol.columns(one.dose) }.uniq

      def switches_needed(dose) = bound(dose).blocks.flat_map { |one| one.protocol.switches_needed(one.dose) }.uniq

      def holds_in?(dose) = !dose.nil? && bound(dose).blocks.any? { |one| one.protocol.holds_in?(one.dose) }

      def judged_by_minutes?(dose) =
        dose.nil? || bound(dose).blocks.all? { |one| one.protocol.judged_by_minutes?(one.dose) }

      # What the model sets of a block hangs on all that came before it, each time that it comes; the lowest binds.
      def fitted(dose, body, before: [])
        return dose if computed.empty?

        bound(dose)
          .runs
          .each_with_index
          .reduce(dose) do |known, (run, index)|
            next known if run.protocol.computed.empty?

            set =
              run
                .protocol
                .fitted(bound(known).runs[index].dose, body, before: [*before, *before_run(known, index, body)])
                .slice(*run.protocol.computed)
            mapped(known) { |one, at| (at + 1 == run.number) ? one.dose.merge(set) : one.dose }
          end
      end

      def objection(dose) = bound(dose).blocks.filter_map { |one| one.protocol.objection(one.dose) }.first

      def washout_limit(segment) = segment.block && runs[segment.block - 1]&.protocol&.washout_limit(segment)

      def drill? = families.all?(&:drill?)

      def waits_for_urge?(dose) = bound(dose).blocks.any? { |one| one.protocol.waits_for_urge?(one.dose) }

      def cut_words(typed, fitted) =
        bound(typed)
          .blocks
          .zip(bound(fitted).blocks)
          .filter_map { |one, other| one.protocol.cut_words(one.dose, other.dose) }
          .first

      def warnings(dose, measures = nil) =
        bound(dose).blocks.flat_map do |one|
          one
            .protocol
            .warnings(one.dose, measures)
            .map { |_, level, text| [:blocks, level, "#{one.in_words.capitalize}: #{text}"] }
        end

      # What ends by hand in one block leans on all that came before it.
      def bounded(compiled, dose, body)
        runs = bound(dose).runs
        before = compiled.before.to_a
        compiled.with_segments(
          compiled
            .segments
            .chunk_while { |one, other| one.block == other.block }
            .flat_map do |segments|
              run = segments.first.block && runs[segments.first.block - 1]
              part = Timeline::Compiled.new(segments, before: before)
              before += segments
              run ? run.protocol.bounded(part, run.dose, body).segments : segments
            end
        )
      end

      # Of each block what its family counts, and that family's way.
      def counting(dose, way: nil)
        own = bound(dose).runs.map { |one| one.protocol.counting(one.dose, way: way) }
        ->(block) { block && own[block - 1].call(nil) }
      end

      # Where a family comes more than once, by what differs.
      def named_blocks(dose)
        runs = bound(dose).runs
        apart =
          runs
            .group_by { |one| one.protocol.id }
            .transform_values { |same| same.map { |one| one.protocol.told_apart(one.dose) }.uniq.size > 1 }
        runs
          .each
          .with_index(1)
          .to_h do |one, number|
            [number, (one.protocol.told_apart(one.dose) if apart[one.protocol.id]) || one.protocol.name.downcase]
          end
      end

      def calls(dose) = bound(dose).blocks.first&.then { |one| one.protocol.calls(one.dose) } || []

      def compile(dose, body = Physiology::REFERENCE_BODY)
        runs = bound(dose).runs
        whole = runs.map { |one| one.protocol.compile(one.dose, body) }
        segments =
          runs.each_with_index.flat_map do |one, index|
            [*whole[index].segments.map { |segment| segment.with(block: index + 1) }, *gap(one, runs[index + 1])]
          end
        Timeline::Compiled.new(segments, before: worked_up(dose))
      end

      def judged_parts(compiled)
        by_block = {
          holds: compiled.holds.group_by { |one| one.segment.block },
          sounds: compiled.sounds.group_by { |one| one.segments.first.block }
        }
        runs.flat_map.with_index(1) { |run, block| by_block.fetch(run.protocol.judged).fetch(block, []) }
      end

      # What is owed, and in which block.
      def rounds(dose) = bound(dose).runs.sum { |run| run.protocol.rounds(run.dose) / run.protocol.sets(run.dose) }

      def notes(dose) =
        bound(dose).blocks.flat_map do |one|
          one.protocol.notes(one.dose).map { |note| "#{one.in_words.capitalize}: #{note}" }
        end

      def sets(_dose) = 1

      def longest_hold_s(dose) = bound(dose).blocks.map { |one| one.protocol.longest_hold_s(one.dose) }.max || 0

      def shorter_holds?(dose, than, block = nil)
        bound(dose)
          .blocks
          .zip(bound(than).blocks)
          .any? do |one, other|
            (block.nil? || block == one.number) &&
              one.protocol.longest_hold_s(one.dose) < other.protocol.longest_hold_s(other.dose)
          end
      end

      # Numbers of judged parts after which a first breath is asked for.
      def asked_after(dose)
        holds = asked_holds(dose)
        judged_parts(compile(dose))
          .each
          .with_index(1)
          .select { |part, _| part.is_a?(Timeline::Compiled::Placed) && holds.include?(part.number) }
          .to_set(&:last)
      end

      # Numbers of holds after which a first breath is asked for, over the whole session.
      def asked_holds(dose, _compiled = nil)
        first = 0
        bound(dose)
          .runs
          .each_with_object(Set.new) do |run, asked|
            asked.merge(run.protocol.asked_holds(run.dose).map { |number| first + number })
            first += run.protocol.compile(run.dose).holds.size
          end
      end

      def halved(dose) =
        mapped(dose) do |one, _|
          (one.protocol.halves && one.dose[one.protocol.halves]) ? one.protocol.halved(one.dose) : one.dose
        end

      def doubled(dose) =
        mapped(dose) do |one, _|
          (one.protocol.halves && one.dose[one.protocol.halves]) ? one.protocol.doubled(one.dose) : one.dose
        end

      def lightened(dose) = mapped(dose) { |one, _| one.protocol.lightened(one.dose) }

      def lean(dose) = mapped(dose) { |one, _| one.protocol.lean(one.dose) }

      def same_dose?(one, other)
        return one == other if one.nil? || other.nil?

        plain =
          [one, other].map do |dose|
            bound(dose).blocks.map do |block|
              block
                .with(dose: block.dose.except(*block.protocol.computed))
                .to_h
                .except(:protocol)
                .merge(family: block.protocol.id)
            end
          end
        plain.first == plain.last
      end

      # @return [String] `4 blocks: alternate nostril`, `2 blocks: bellows rounds; quiet breathing`
      def in_short(dose)
        runs = bound(dose).runs
        "#{Words.count(runs.size, "block")}: " \
        "#{runs.map { |run| run.name.downcase }.chunk_while { |one, other| one == other }.map(&:first).join("; ")}"
      end

      # @return [String] `Bellows rounds: 3 rounds …; then quiet breathing: …`
      def in_words(dose) = blocks_in_words(dose).join("; then ")

      def heading(dose) = Words.count(bound(dose).runs.size, "block")

      def blocks_in_words(dose)
        given = bound(dose).blocks
        given.map do |one|
          times = ", #{one.repeats} times" if one.repeats > 1
          gap = gap_in_words(one.after) unless one.number == given.size
          "#{one.name}: #{one.protocol.in_words(one.dose)}#{times}#{gap}"
        end
      end

      # @return [Hash{String => String}] by path: `blocks[0].dose.hold_s`
      def faults(dose)
        given = dose[:blocks]
        unless given.is_a?(Array) && given.size.between?(1, MOST)
          return {"blocks" => "#{Error.shown(given)} is not allowed; allowed: 1 to #{MOST} blocks"}
        end

        given
          .each_with_index
          .map do |one, index|
            BlockFaults.of(one).transform_keys { |path| ["blocks[#{index}]", path].compact.join(".") }
          end
          .reduce({}, :merge)
          .then { |faults| faults.any? ? faults : {"blocks" => too_long(dose)}.compact }
      end

      # @param dose [Hash] that has no other fault
      # @return [String, nil] what it has too much of
      def too_long(dose)
        parts = bound(dose).parts
        "#{parts} breaths, holds and pauses are too many; allowed: #{MOST_PARTS} in one session" if parts > MOST_PARTS
      end

      # @return [Integer] breaths, holds and pauses, however often a block comes
      def parts
        blocks.sum do |one|
          [one.dose, unsettled(one)].map { |dose| one.protocol.compile(dose).segments.size }
            .then { |first, again| first + (one.repeats - 1) * again }
        end
      end

      # A long session has a short ladder: it is composed anew to go on from its top.
      def most_rungs = (LADDER_PARTS / [parts, 1].max).clamp(3, super)

      private

      def block(given, number)
        family = Protocols.family(given.fetch(:protocol))
        Block.new(
          protocol: family,
          dose: family.lean(given.fetch(:dose)),
          repeats: given.fetch(:repeats, 1),
          after: given[:after],
          number: number,
          time: 1,
          series: given[:series]
        )
      end

      # @return [Array<Timeline::Segment>] all that comes before a run of a block
      def before_run(dose, index, body)
        compile(dose, body || Physiology::REFERENCE_BODY).segments.take_while do |segment|
          segment.block.nil? || segment.block <= index
        end
      end

      def unsettled(one) = one.protocol.class.settling ? one.dose.merge(settle_s: 0, entered: "none") : one.dose

      # @yieldparam block [Block]
      # @yieldreturn [Hash] its dose
      def mapped(dose)
        changed =
          bound(dose)
            .blocks
            .zip(dose.fetch(:blocks))
            .map
            .with_index { |(one, given), index| given.merge(dose: yield(one, index).freeze).freeze }
        dose.merge(blocks: changed.freeze).freeze
      end

      def gap(run, following)
        return [] if run.after.nil? || following.nil?

        details = {kind: :breathe, rate: Physiology::RESTING_RATE, phase: :rest}
        coming = "Next: #{following.name.downcase}"
        if run.after == WAIT
          return [
            Timeline::Segment.new(**details, ms: WAIT_S * 1000, until: :word, cue: "Wait for the coach. #{coming}")
          ]
        end

        [Timeline::Segment.new(**details, ms: (run.after * 1000).round, cue: "Breathe naturally. #{coming}")]
      end

      def gap_in_words(after)
        return if after.nil?

        (after == WAIT) ? ", wait for the coach" : ", #{Words.hold(after)} between"
      end
    end
  end
end
