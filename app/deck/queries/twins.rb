# frozen_string_literal: true

module Windlass
  module Queries
    # A session that two devices ran: what each of them ran of it.
    module Twins
      OPEN = "Two devices ran this session. Say first which of them it was."

      # @return [Array<Records::Session>] the one that was planned, then what other devices ran of it
      def self.pair(session)
        first = session.twin_of || session
        [first, *of(first).order(:id)]
      end

      # @param sessions [Array<Records::Session>]
      # @return [Boolean] of one of them nobody said yet which of two it was
      def self.open?(*sessions) =
        Records::Session.with_unsettled_twins.exists?(twin_of_id: sessions.map { |one| one.twin_of_id || one.id })

      # @return [ActiveRecord::Relation] what other devices ran of it
      def self.of(session) = Records::Session.where(twin_of_id: session.id)
    end
  end
end
