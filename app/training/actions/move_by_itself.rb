# frozen_string_literal: true

module Windlass
  module Actions
    # What is plain moves by itself, where the coach allowed it: a clean day that somebody did alone, and told of, with
    # nothing to mind. Everything else waits for the coach.
    module MoveByItself
      # @param session [Records::Session]
      # @return [Records::Move, nil] nil where it waits
      def self.call(session, now:)
        sets = session.sets_of_the_day
        return unless allowed?(session, sets) && Queries::JudgeDay.over?(sets, today: now.to_date)

        verdict = Queries::JudgeDay.call(sets.last, of_the_day: sets)
        return unless verdict&.plain? && !care?(session, verdict)

        Decide.call(
          sets.last, verdict,
          decided: verdict.verdict, because: nil, now: now, of_the_day: sets, allowed_by: session.prescription.moves_by
        )
      end

      def self.allowed?(session, sets)
        prescription = session.prescription
        !prescription.moves_by.empty? && !prescription.moves.kept.exists?(local_date: session.local_date) &&
          sets.all? { |set| plain?(set) }
      end

      # Done alone, told of, and nothing said that a coach would want to read.
      def self.plain?(set) =
        set.alone? && set.effort && set.symptoms.empty? && set.note.empty? && set.caution.empty?

      # What leads to, or comes from, a rung with care is looked at.
      def self.care?(session, verdict) =
        [verdict.from, verdict.target].compact.any? { |one| one.ladder.care?(one.rung) } ||
          !session.athlete.stop_on(session.local_date).nil?
      private_class_method :allowed?, :plain?, :care?
    end
  end
end
