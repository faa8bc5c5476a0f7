# frozen_string_literal: true

module Windlass
  module Actions
    # Accepts what is plain where it stands: a clean repeat, a step with nothing to mind. What needs thought is opened
    # instead.
    module AcceptPlain
      # @param session [Records::Session]
      # @param seen [String] the verdict that the coach saw
      # @return [Records::Move]
      # @raise [Error] where it is another verdict now, or not a plain one
      def self.call(session, seen:, now:)
        sets = session.sets_of_the_day
        verdict = Queries::JudgeDay.call(session, of_the_day: sets) or raise Error, Queries::JudgeDay::NOT_OFFERED
        unless verdict.verdict.to_s == seen
          raise Error, "The verdict of #{session.athlete.name} is now #{verdict.verdict}: look at it before you decide."
        end
        unless verdict.plain?
          raise Error, "The verdict of #{session.athlete.name} needs a look: #{verdict.reasons.first.text}"
        end

        Decide.call(session, verdict, decided: verdict.verdict, because: nil, now: now, of_the_day: sets)
      end

      # @param seen [Hash{String => String}] verdicts by session
      # @return [Array(Array<Records::Move>, Array<String>)] what was accepted, and why the others were not
      def self.all(sessions, seen:, now:)
        refused = []
        accepted =
          sessions.filter_map do |session|
            call(session, seen: seen.fetch(session.uuid), now: now)
          rescue Error => error
            refused << error.message && nil
          end
        [accepted, refused]
      end
    end
  end
end
