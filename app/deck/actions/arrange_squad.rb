# frozen_string_literal: true

module Windlass
  module Actions
    # Who starts when, and who watches whom. Where all holds are short all start at once; else the starts are chosen so
    # that no two first breaths fall together; or they are given.
    module ArrangeSquad
      # @param settings [Hash] gap_s, latest_s, minutes, on_the_word, as far as they change
      # @param pairs [Hash{Integer => Integer}, nil] place of who watches them, by lane; nil leaves them
      # @param how [Symbol] :usual, :staggered, :at_once or :given
      # @param starts [Array<Integer>, nil] those that are given
      def self.call(squad, settings: {}, pairs: nil, how: :usual, starts: nil)
        raise Error, "These sessions run already, or are over: their starts stay." if squad.begun?

        squad.transaction do
          squad.update!(settings)
          squad.sessions.each { |session| change(session, pair_lane: pairs[session.lane]) } if pairs
          chosen = starts || starts_of(squad, squad.to_lanes, how)
          squad.sessions.zip(chosen) { |session, start| change(session, starts_s: start) }
        end
      end

      def self.starts_of(squad, lanes, how)
        together = how == :at_once || (how == :usual && Squad::AtOnce.usual?(lanes))
        return Squad::AtOnce.starts(lanes) if together

        Squad::Stagger.of(lanes, gap_s: squad.gap_s, latest_s: squad.latest_s).starts.values
      end

      def self.change(session, columns)
        session.assign_attributes(columns)
        session.save! if session.changed?
      end
      private_class_method :starts_of, :change
    end
  end
end
