# frozen_string_literal: true

module Windlass
  module Progression
    # What a session of blocks shows: each block by the rules of its own family, and all of them together.
    class BlockEvidence < Evidence
      def rounds = @rounds ||= parts.flat_map { |run, evidence| named(run, evidence.rounds) }

      def part = "part"

      def short = of_parts(&:short)

      def over = of_parts(&:over)

      # Enough of a fault in one block.
      def many?(faults) = parts.any? { |run, evidence| evidence.many?(faults.select { |round| round.block == run }) }

      def mostly_deeper? = parts.any? { |_, evidence| evidence.mostly_deeper? }

      def ribs_unknown? = parts.any? { |_, evidence| evidence.ribs_unknown? }

      def mostly_unmarked? = parts.any? { |_, evidence| evidence.mostly_unmarked? }

      def mostly_uneven? = parts.any? { |_, evidence| evidence.mostly_uneven? }

      def unknown_breaths = of_parts(&:unknown_breaths)

      # @return [Array<Integer>, nil] numbers of the blocks whose holds were too long
      def too_long = (gasps + short).map { |round| round.block.number }.uniq.then { |blocks| blocks if blocks.any? }

      private

      # @return [Array<Array(Protocols::Blocks::Block, Evidence)>] in order
      def parts = @parts ||= session.by_block.map { |run, part| [run, Evidence.new(part)] }

      def of_parts(&fault) = parts.flat_map { |run, evidence| named(run, fault.call(evidence)) }

      def named(run, rounds) = rounds.map { |round| round.with(block: run) }

      # What is judged by its minutes has no clock of its own: the whole session's minutes are asked for.
      def minutes_missing
        return if parts.none? { |_, evidence| evidence.session.by_minutes? } || session.seconds_done.nil?

        planned = protocol.seconds(session.dose)
        if session.seconds_done < ENOUGH_SHARE * planned
          "#{Words.length(session.seconds_done)} of #{Words.length(planned)} done"
        end
      end

      def rounds_missing
        missing =
          parts.filter_map { |run, evidence| evidence.rounds_missing&.then { |words| "#{words} in #{run.in_words}" } }
        missing.join(", ") if missing.any?
      end
    end
  end
end
