# frozen_string_literal: true

module Windlass
  module Progression
    # The doses of one protocol for one athlete, from the start to the last that its limits allow. Each rung differs
    # from the one below in exactly one lever by one step.
    class Ladder
      attr_reader :protocol, :rungs

      # @return [Hash] what it was bounded by: limits, from, outlook, guards, as {#initialize} takes them
      attr_reader :bounds

      # @return [String, nil] why it ends before its levers do, where a guard cut it
      attr_reader :cut

      # @param protocol [Protocols::Protocol]
      # @param measures [Measures::Values]
      # @param limits [Hash] a coach's tighter limits, by lever key
      # @param from [Hash, nil] a dose to start from in place of the protocol's own
      # @param outlook [Outlook, nil] the gas model, where the athlete is known
      # @param guards [Array<#objection>] each may cut a rung and all above it
      # @param most [Integer] rungs to climb; where only the start matters, 1
      def initialize(protocol, measures, limits: {}, from: nil, outlook: nil, guards: [], most: protocol.most_rungs)
        @protocol = protocol
        @measures = measures
        @most = most
        @outlook = outlook
        @bounds = {limits: limits, from: from, outlook: outlook, guards: guards}.freeze
        @guards = [*outlook, *guards]
        @held_s = {}
        @limits =
          if protocol.lacking(measures)
            {}
          else
            protocol.levers.to_h { |lever| [lever.key, lever.limit_for(measures, limits)] }
          end
        @start = protocol.lacking(measures) ? nil : from || protocol.start(measures)
        @rungs = (offered?(@start) ? cut_short(climb(@start)) : []).freeze
        freeze
      end

      # A ladder without rungs: a measure is missing, or the start is past its own limit.
      def offered_at_all? = rungs.any?

      def top = rungs.size - 1

      # Which one change leads from a rung to the next.
      # @return [Array(Protocols::Lever, Numeric, Numeric), nil] lever, value now, value then; nil at the top
      def change_after(rung)
        return if rung >= top

        lever = protocol.levers.find { |one| one.value(rungs[rung]) != one.value(rungs[rung + 1]) }
        [lever, lever.value(rungs[rung]), lever.value(rungs[rung + 1])]
      end

      # After a new measure: the highest rung none of whose levers is harder than the dose the athlete had.
      # @return [Integer, nil] nil where even the lowest is harder
      def highest_not_harder_than(dose)
        rungs.rindex { |rung| protocol.levers.none? { |lever| lever.harder?(lever.value(rung), lever.value(dose)) } }
      end

      # @return [Numeric, nil] seconds held in a whole session of this rung, written out once; nil above the top
      def hold_seconds(rung) = rungs[rung] && (@held_s[rung] ||= protocol.hold_seconds(rungs[rung]))

      # @return [Boolean] a forecast hold of this rung falls under the planning floor: buddy and oximeter are asked for
      def care?(rung) = !@outlook.nil? && !@clear && @outlook.care?(protocol, rungs[rung])

      # @param where [Array<Integer>, true] numbers of blocks, where there are some: in each of them it is to be shorter
      # @return [Integer, nil] the highest rung below with a shorter hold
      def shorter_hold_below(rung, where = true)
        below = ->(block) do
          (0...rung).to_a.reverse.find { |lower| protocol.shorter_holds?(rungs[lower], rungs[rung], block) }
        end
        (where == true) ? below[nil] : where.filter_map(&below).min
      end

      # @return [Boolean] no lever stands past its limit, and the hold is long enough to be one
      def offered?(dose)
        if dose.nil? || unswitched(dose).any? ||
            (protocol.shortest_hold_s > 0 && protocol.longest_hold_s(dose) < protocol.shortest_hold_s)
          return false
        end

        protocol.levers.none? { |lever| past?(lever, dose) }
      end

      # @return [String, nil] which number of the start passes which limit
      def passed
        dose = @start or return
        return "#{Words.list(unswitched(dose)).capitalize} are switched off for this athlete" if unswitched(dose).any?

        lever = protocol.levers.find { |one| past?(one, dose) } or return

        unit = Protocols::UNITS[lever.unit]
        value, limit =
          [lever.value(dose), limit(lever, dose)].map { |number| [Words.number(number), unit].compact.join(" ") }
        "#{(unit == lever.words) ? "#{value} pass" : "#{lever.words} #{value} passes"} the limit of " \
        "#{limit}#{", #{lever.limit_words}" if lever.limit_words}"
      end

      private

      def limit(lever, dose) =
        lever.wider ? lever.limit_for(@measures, @bounds[:limits], dose: dose) : @limits[lever.key]

      def past?(lever, dose) = lever.harder?(lever.value(dose), limit(lever, dose))

      # @return [Array<Symbol>] switches that this dose needs and that are off
      def unswitched(dose) = protocol.switches_needed(dose).reject { |switch| @bounds[:limits][switch] }

      # Round-robin through the levers, skipping those whose next step would pass their limit.
      def climb(start)
        rungs = []
        dose = start
        turn = 0
        while dose && rungs.size < @most
          rungs << (@outlook ? @outlook.fitted(protocol, dose) : dose)
          lever = next_lever(dose, turn) or break
          dose = lever.stepped(rungs.last)
          turn = protocol.levers.index(lever) + 1
        end
        rungs
      end

      # The first objection cuts a rung, and all above it. Rungs only get harder: where the model is at ease with the
      # last one, it need not be asked about those below.
      def cut_short(rungs)
        @clear = !@outlook.nil? && @outlook.clear?(protocol, rungs.last)
        guards = @clear ? @guards - [@outlook] : @guards
        rungs.take_while { |dose| (@cut = objection(guards, dose)).nil? }
      end

      def objection(guards, dose)
        guards.each { |guard| (reason = guard.objection(protocol, dose)) && (return reason) }
        nil
      end

      def next_lever(dose, turn)
        protocol
          .levers
          .rotate(turn)
          .find do |lever|
            lever.moves?(dose) && !lever.harder?(lever.after(dose), limit(lever, dose)) && room_left?(lever, dose)
          end
      end

      # A step of one may take away the room in which another stands.
      def room_left?(lever, dose)
        wider = protocol.levers.select(&:wider)
        wider.empty? || lever.stepped(dose).then { |stepped| wider.none? { |one| past?(one, stepped) } }
      end
    end
  end
end
