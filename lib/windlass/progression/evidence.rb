# frozen_string_literal: true

module Windlass
  module Progression
    # What one session shows, whatever came before it.
    class Evidence
      attr_reader :session

      def initialize(session)
        @session = session
      end

      def rounds = session.rounds

      def gasps = breaths(:gasp)

      def deeper = breaths(:deeper)

      def short = rounds.select(&:short?)

      def over = rounds.select(&:over?)

      def stops = session.symptoms & Symptoms::STOPS.keys

      def warnings = session.symptoms & Symptoms::WARNINGS.keys

      def easing_symptoms = session.symptoms & Symptoms::EASING

      def effort = session.effort

      # Enough of a fault to ease, not only to repeat: two of them, or a third of the holds.
      def many?(faults) = faults.size >= 2 || (faults.any? && faults.size * 3 >= rounds.size)

      # Lowest oximeter readings that ease: under 75 %, or under the planning floor after over-breathing.
      def low_saturations
        limit = Protocols.find(session.protocol).over_breathing? ? Physiology::PLANNING_FLOOR : 0.75
        rounds.select { |round| round.sao2_low && round.sao2_low < limit }
      end

      # Of the minutes of a session without holds this much is enough.
      ENOUGH_SHARE = 0.9

      # @return [Array<String>] what is missing for a whole session
      def missing
        [
          minutes_missing,
          ("#{rounds.size} of #{Words.count(session.rounds_planned, "round")} done" if rounds.size < session.rounds_planned),
          counted(rounds.select(&:skipped), "hold", "skipped"),
          ("effort not noted" if effort.nil?),
          counted(rounds.select { |round| !round.skipped && round.held_s.nil? }, "held time", "not noted"),
          counted(rounds.select { |round| round.held? && round.first_breath.nil? }, "first breath", "not noted")
        ].compact
      end

      def mostly_deeper? = deeper.size * 2 > rounds.count(&:first_breath)

      def hard? = !effort.nil? && effort >= 8

      # One of the faults that, three times running, ease.
      def troubled? = gasps.any? || short.any? || hard?

      def clean?
        session.begun? && missing.empty? && !troubled? && over.empty? && !mostly_deeper? && stops.empty? &&
          easing_symptoms.empty? && low_saturations.empty?
      end

      # @return [String] `2 gasps: rounds 4 and 6`
      def with_rounds(faults, one, many = "#{one}s") = "#{Words.count(faults.size, one, many)}: #{where(faults)}"

      # @return [String] `rounds 4 and 6`, `rounds 4 and 6 of set 1, round 2 of set 3`
      def where(faults)
        places = faults.group_by(&:set).map do |set, rounds|
          "#{(rounds.size == 1) ? "round" : "rounds"} #{Words.list(rounds.map(&:number))}#{" of set #{set}" if set}"
        end
        places.join(", ")
      end

      private

      def minutes_missing
        return unless Protocols.find(session.protocol).by_minutes?

        planned = Protocols.find(session.protocol).seconds(session.dose)
        done = session.seconds_done.to_f
        "#{Words.length(done)} of #{Words.length(planned)} done" if done < ENOUGH_SHARE * planned
      end

      def breaths(kind) = rounds.select { |round| round.first_breath == kind }

      def counted(faults, one, what)
        "#{Words.count(faults.size, one)} #{what}" if faults.any?
      end
    end
  end
end
