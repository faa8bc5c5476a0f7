# frozen_string_literal: true

module Windlass
  module Progression
    # What one session shows, whatever came before it. Many rules ask the same: what was looked up stays.
    class Evidence
      attr_reader :session

      # @param session [Session]
      # @return [Evidence] block by block where it has blocks
      def self.of(session) = session.activity.is_a?(Protocols::Blocks) ? BlockEvidence.new(session) : new(session)

      def initialize(session)
        @session = session
      end

      def rounds = session.rounds

      # What nobody marked: it ran, and how long it was nobody knows. It is neither clean nor a fault.
      def unmarked = @unmarked ||= rounds.select(&:unmarked)

      # Shares are taken of what was done: what was left out is judged besides, and never thins a fault.
      def done = @done ||= rounds.select(&:held?) - unmarked

      # @return [String] what is judged, part by part
      def part = sounded? ? "exhale" : "hold"

      def gasps = @gasps ||= breaths(:gasp)

      def deeper = @deeper ||= breaths(:deeper)

      def short = @short ||= rounds.select(&:short?)

      # A sounded exhale that went on is no hold that was pushed.
      def over = @over ||= sounded? ? [] : rounds.select(&:over?)

      # Sounded exhales whose ribs fell in, or whose stream flickered.
      def uneven = @uneven ||= rounds.select(&:uneven?)

      def stops = session.symptoms & Symptoms::STOPS.keys

      def warnings = session.symptoms & Symptoms::WARNINGS.keys

      def easing_symptoms = session.symptoms & Symptoms::EASING

      def effort = session.effort

      # Enough of a fault to ease, not only to repeat: two of them, or a third of those that were done.
      def many?(faults) = faults.size >= 2 || (faults.any? && faults.size * 3 >= done.size)

      # Rounds whose lowest oximeter reading eases.
      def low_saturations = rounds.select { |round| round.sao2_low && round.sao2_low < session.saturation_limit }

      # Of the minutes of a session without holds this much is enough.
      ENOUGH_SHARE = 9 / 10r

      # @return [Boolean, Array<Integer>, nil] holds were too long; in which blocks
      def too_long = gasps.any? || short.any?

      # @return [String, nil]
      def rounds_missing
        "#{rounds.size} of #{Words.count(session.rounds_planned, part)} done" if rounds.size < session.rounds_planned
      end

      # @return [Array<String>] what is missing for a whole session, each with its place
      def missing
        @missing ||= [
          minutes_missing,
          rounds_missing,
          effort_missing,
          counted(rounds.select(&:left_out?), part, "left out"),
          counted(
            rounds.select { |round| !round.skipped && round.held_s.nil? },
            sounded? ? "length" : "held time",
            "not noted"
          ),
          counted(unknown_breaths, "first breath", "not noted"),
          ("ribs not noted" if ribs_unknown?)
        ].compact
      end

      # @return [Array<Round>] held, asked about, and nobody said how the breath after it was
      def unknown_breaths = rounds.select { |round| round.held? && round.first_breath.nil? && asked?(round) }

      def mostly_deeper? = deeper.size * 2 > rounds.count(&:first_breath)

      # Said exhale by exhale, or of the whole session at its end.
      def mostly_uneven? = session.ribs == :no || uneven.size * 2 > rounds.count { |round| round.ribs || round.stream }

      # What the family asks once a session has to be known: exhale by exhale, or of all of them.
      def ribs_unknown? = protocol.ribs_asked? && session.ribs.nil? && done.any? && done.none?(&:ribs)

      def mostly_unmarked? = unmarked.size * 2 > rounds.size

      def hard? = !effort.nil? && effort >= 8

      # One of the faults that, three times running, ease.
      def troubled? = gasps.any? || short.any? || hard?

      # @return [Boolean] no rule that one session answers by itself spoils it; {Record#clean?} asks those of its past,
      #   too
      def clean?
        return @clean if defined?(@clean)

        @clean = Rules::SPOILING_ALONE.none? { |rule| rule.fires(self) }
      end

      # @return [String] `2 gasps: rounds 4 and 6`
      def with_rounds(faults, one, many = "#{one}s") = "#{Words.count(faults.size, one, many)}: #{where(faults)}"

      # @return [String] `rounds 4 and 6`, `rounds 4 and 6 of set 1, round 2 of set 3`; `hold 4`, where rounds have some
      def where(faults)
        places =
          faults
            .group_by { |round| [round.set, round.block] }
            .map do |(set, block), rounds|
              one = block ? block.protocol.part_called(block.dose) : protocol.part_called(session.dose)
              [
                "#{(rounds.size == 1) ? one : "#{one}s"} #{Words.list(rounds.map(&:number))}",
                ("of set #{set}" if set),
                ("of #{block.in_words}" if block)
              ].compact.join(" ")
            end
        places.join(", ")
      end

      private

      def sounded? = protocol.judged == :sounds

      def protocol = @protocol ||= session.activity

      def minutes_missing
        return unless session.by_minutes?

        planned = protocol.seconds(session.dose)
        done = session.seconds_done.to_f
        "#{Words.length(done)} of #{Words.length(planned)} done" if done < ENOUGH_SHARE * planned
      end

      def effort_missing
        return ("effort not noted" if effort.nil?) if session.unrated_sets.empty?

        "effort of #{(session.unrated_sets.size == 1) ? "set" : "sets"} #{Words.list(session.unrated_sets)} not noted"
      end

      # Whether a first breath is asked for after this hold: the family says where.
      def asked?(round)
        case protocol.first_breath
        when :hold
          true
        when :never
          false
        when :end
          round.number == rounds.select { |one| one.set == round.set }.map(&:number).max
        else
          (@asked ||= protocol.asked_after(session.dose)).include?(round.number)
        end
      end

      def breaths(kind) = rounds.select { |round| round.first_breath == kind }

      def counted(faults, one, what)
        "#{Words.count(faults.size, one)} #{what} (#{where(faults)})" if faults.any?
      end
    end
  end
end
