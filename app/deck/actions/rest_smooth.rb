# frozen_string_literal: true

module Windlass
  module Actions
    # After a squad: the first breaths that nobody rated were smooth, but for those of some.
    module RestSmooth
      # @param squad [Records::Squad]
      # @param except [Array<Integer>] lanes that are left as they are
      # @return [Integer] first breaths that are rated now
      # @raise [Error] while one of them runs
      def self.call(squad, except:, now:)
        raise Error, "They are not over yet: first breaths are rated on the deck." unless squad.over?

        squad.sessions.reject { |session| except.include?(session.lane) }.sum { |session| rate(session, now) }
      end

      def self.rate(session, now)
        open = session.unrated
        return 0 if open.empty?

        said = {effort: session.effort, symptoms: session.symptoms, note: session.note}
        RateSession.call(session, {**said, rounds: open.to_h { |number| [number, {first_breath: "smooth"}] }}, now: now)
        open.size
      end
      private_class_method :rate
    end
  end
end
