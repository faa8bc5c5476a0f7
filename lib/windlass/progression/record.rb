# frozen_string_literal: true

module Windlass
  module Progression
    # The session being judged among those before it. What the rules ask of the past stands here.
    class Record
      WARNING_DAYS = 14
      # The coming week may bring this much more holding than the weeks before, no more.
      RAMP = 1.3
      RAMP_WEEKS = 4
      # Held back by the ramp alone for this long, an athlete steps all the same.
      RAMP_PATIENCE_DAYS = 14

      attr_reader :session, :standing, :evidence

      # @param session [Session]
      # @param history [Enumerable<Session>, History] of all protocols, in any order; later ones and this one itself are
      #   left out
      # @param standing [Standing] at the dose of the session
      # @param mornings [Measures::MorningSeries, nil] control pauses, where the practice may spoil them
      def initialize(session, history, standing, mornings = nil)
        @session = session
        @mornings = mornings
        @standing = standing
        @past = History.of(history.reject { |past| same?(past) || past.date > session.date })
        @earlier = @past.sessions
        @evidence = evidence_of(session)
      end

      def protocol = standing.protocol

      # @return [Boolean] no rule that spoils a session fires
      def clean?
        return @clean if defined?(@clean)

        @clean = evidence.clean? && Rules::SPOILING_IN_A_ROW.none? { |rule| rule.fires(self) }
      end

      # Sessions on this rung without a break, this one last. Light days and those without a hold are passed over.
      def row = @row ||= before_on_this_rung + (passed_over?(session) ? [] : [session])

      def clean_in_a_row =
        @clean_in_a_row ||= row.reverse.take_while { |past| (past.equal?(session) ? self : at(past)).clean? }.size

      # A light day neither counts nor breaks a row, nor does what readiness would have refused.
      def enough? = !session.light && !session.refused && clean_in_a_row >= protocol.clean_sessions && !stepped_today?

      # @return [Boolean] a lower rung was done earlier on this day: one advance a protocol a day
      def stepped_today?
        below = standing.ladder.rungs.take(standing.rung)
        @past.between(session.date, session.date + 1).sessions.any? do |past|
          past.protocol == session.protocol && past.counts? &&
            below.any? { |dose| protocol.same_dose?(past.dose, dose) }
        end
      end

      # Three sessions running on this rung with a gasp, a short hold or hard effort.
      def stuck? = evidence.troubled? && row.size >= 3 && row.last(3).all? { |past| evidence_of(past).troubled? }

      # @return [Session, nil] the newest other session within a fortnight that had a warning
      def earlier_warning
        @earlier.reverse.find { |past| past.date >= session.date - WARNING_DAYS && evidence_of(past).warnings.any? }
      end

      # @return [Measures::MorningsAfter, nil] where over-breathing is practised, and there are enough mornings of both
      #   kinds
      def mornings_after
        return if @mornings.nil? || !session.over_breathed

        @mornings_after ||=
          Measures::MorningsAfter.of(@mornings, [*@earlier, session].select(&:over_breathed).map(&:date), session.date)
      end

      def next_rung = standing.rung + (standing.reduced ? 0 : 1)

      def next_dose = standing.ladder.rungs[next_rung]

      # @return [Boolean] four weeks are known, and the coming week would pass 1.3 times their weekly mean
      def ramps?
        return @ramps unless @ramps.nil?

        @ramps = !next_dose.nil? && !weekly_mean_s.nil? && coming_week_s > RAMP * weekly_mean_s
      end

      # Sessions that only the ramp held back began at least a fortnight ago.
      def patient_enough?
        clean = row.last(clean_in_a_row)
        first_enough = clean[protocol.clean_sessions - 1]
        first_enough && session.date - first_enough.date >= RAMP_PATIENCE_DAYS
      end

      # Hold seconds of the seven days to come: those of seven past, with this protocol at its next dose. Of the seven
      # that end with this session and the seven before it the fuller ones.
      def coming_week_s =
        @coming_week_s ||= [
          week_again_s(session.date - 6, session.date + 1, 1),
          week_again_s(session.date - 7, session.date, 0)
        ].max

      # @return [Numeric, nil] mean of the weeks that had sessions; nil before four weeks of history
      def weekly_mean_s
        return if @earlier.empty? || @earlier.first.date > session.date - 7 * RAMP_WEEKS

        @weekly_mean_s ||=
          begin
            weeks = (0...RAMP_WEEKS).filter_map { |week| held_in_week(week) }
            weeks.sum / weeks.size if weeks.any?
          end
      end

      private

      # A past session of the row among those before it.
      def at(past) = self.class.new(past, @past, standing, @mornings)

      # @param besides [Integer] sessions of this protocol that are not among those of the past
      def week_again_s(from, to, besides)
        same, others = @past.between(from, to).sessions.partition { |past| past.protocol == session.protocol }
        (same.size + besides) * standing.ladder.hold_seconds(next_rung) +
          others.sum { |past| @past.seen.hold_seconds(past) }
      end

      def same?(past) = past.id == session.id && past.protocol == session.protocol

      def before_on_this_rung
        newest_first = @earlier.select { |past| past.protocol == session.protocol && !passed_over?(past) }.reverse
        newest_first
          .take_while { |past| !past.counts? || protocol.same_dose?(past.dose, standing.dose) }
          .select(&:counts?)
          .reverse
      end

      # Neither counts nor breaks a row; what readiness would have refused breaks it where it was not clean.
      def passed_over?(past) = past.light || past.once || (past.refused && evidence_of(past).clean?)

      def evidence_of(past) = @past.seen.evidence(past)

      # This session's own seconds are of the week that ends with it.
      def held_in_week(back)
        to = session.date - 7 * back
        week = @past.between(to - 6, to + 1)
        return week.hold_seconds + @past.seen.hold_seconds(session) if back.zero?

        week.hold_seconds if week.sessions.any?
      end
    end
  end
end
