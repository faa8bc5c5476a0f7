# frozen_string_literal: true

module Windlass
  module Actions
    # Who starts when, and who watches whom. The starts are chosen so that no two first breaths fall together, or are
    # given.
    module ArrangeSquad
      # @param settings [Hash] gap_s, latest_s, minutes, on_the_word, as far as they change
      # @param pairs [Hash{Integer => Integer}, nil] place of who watches them, by lane; nil leaves them
      # @param starts [Array<Integer>, nil] given by hand
      def self.call(squad, settings: {}, pairs: nil, starts: nil)
        raise Error, "These sessions run already, or are over: their starts stay." if squad.begun?

        squad.transaction do
          squad.update!(settings)
          squad.sessions.each { |session| change(session, pair_lane: pairs[session.lane]) } if pairs
          chosen =
            starts || Squad::Stagger.of(squad.to_lanes, gap_s: squad.gap_s, latest_s: squad.latest_s).starts.values
          squad.sessions.zip(chosen) { |session, start| change(session, starts_s: start) }
        end
      end

      def self.change(session, columns)
        session.assign_attributes(columns)
        session.save! if session.changed?
      end
      private_class_method :change
    end
  end
end
