# frozen_string_literal: true

module Windlass
  module Actions
    # Which marks of a run its holder might make when they made them: before their phone was revoked, before their right
    # ended.
    module SortMarks
      TOO_LATE = "was made after the right to it had ended"

      # @param house [Records::Account]
      # @param holder [RunKeys::Holder]
      # @param session [Records::Session, Records::LaidSet]
      # @param events [Array<Hash>] of {Forms::JournalForm}
      # @return [Array(Array<Hash>, Array<Hash>)] events that are taken; uuid and why, of the others
      def self.call(house, holder, session, events, now:)
        # A row of marks was made by one right, almost always: one question for all of them.
        by_right = events.group_by { |event| holder.roles_at(now - event[:ago_ms].to_i / 1000.0) }
        taken, late = by_right.partition { |roles, _| sees?(house, holder, roles, session) }
        [taken.flat_map(&:last), late.flat_map(&:last).map { |event| {uuid: event[:uuid], why: TOO_LATE} }]
      end

      def self.sees?(house, holder, roles, session) =
        Sight.new(house, Policies::Decks.new(holder.person, of: roles))
          .of(session.class)
          .exists?(id: session.id)
      private_class_method :sees?
    end
  end
end
