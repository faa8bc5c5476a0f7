# frozen_string_literal: true

module Windlass
  module Progression
    # What an athlete did, of all protocols, in order of time: put in order once, however many of its sessions are
    # judged. What each of them shows is found once, too.
    class History
      # @param sessions [Enumerable<Session>, History] in any order; what comes twice is taken once, as it came worst
      # @return [History]
      def self.of(sessions)
        return sessions if sessions.is_a?(self)

        seen = Seen.new
        new(in_order(sessions, seen), seen)
      end

      # @param evidence [Array<Evidence>] of sessions in any order
      # @return [History]
      def self.of_evidence(evidence)
        seen = Seen.new(evidence)
        new(in_order(evidence.map(&:session), seen), seen)
      end

      # The order is that of time, and does not hang on how the list was written: of two that cannot be told apart in
      # time the worse one is the later.
      def self.in_order(sessions, seen)
        ties = sessions.group_by { |one| one.place_in_time.take(2) }.sort_by(&:first).map(&:last)
        ties
          .flat_map { |tie| (tie.size > 1) ? tie.sort_by { |one| worse(one, seen) } : tie }
          .reverse
          .uniq { |one| [one.protocol, one.id] }
          .reverse
      end

      # Whether it was clean can't be said without a dose.
      def self.worse(one, seen) =
        [one.protocol, (one.dose && !seen.evidence(one).clean?) ? 1 : 0, one.to_h.except(:id).inspect, one.id.to_s]
      private_class_method :in_order, :worse

      # What sessions show, each asked once.
      class Seen
        # @param known [Array<Evidence>]
        def initialize(known = [])
          @evidence = {}.compare_by_identity
          known.each { |one| @evidence[one.session] = one }
          @held = {}.compare_by_identity
        end

        # @return [Evidence]
        def evidence(session) = @evidence[session] ||= Evidence.of(session)

        # @return [Numeric]
        def hold_seconds(session) = @held[session] ||= session.hold_seconds
      end

      attr_reader :sessions, :seen

      # @param sessions [Array<Session>] in order
      # @param seen [Seen]
      def initialize(sessions, seen)
        @sessions = sessions
        @seen = seen
      end

      # @param from [Date]
      # @param to [Date]
      # @return [History] from that day to before the other one
      def between(from, to)
        first, after = [from, to].map { |date| @sessions.bsearch_index { |one| one.date >= date } || @sessions.size }
        History.new((first < after) ? @sessions[first...after] : [], @seen)
      end

      # @return [History] of those for which the block is not true
      def reject(&left_out) = History.new(@sessions.reject(&left_out), @seen)

      # @return [Numeric] seconds held
      def hold_seconds = @sessions.sum { |one| @seen.hold_seconds(one) }
    end
  end
end
