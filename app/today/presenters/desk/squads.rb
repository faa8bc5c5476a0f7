# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # Who runs together today.
      class Squads
        Row = Value.define(:uuid, :names, :state)

        # @param account [Records::Account]
        def initialize(account, today:)
          @account = account
          @today = today
        end

        # @return [Array<Row>] those that are not over
        def rows
          @account.of(Records::Squad)
            .where(local_date: @today)
            .includes(sessions: :athlete)
            .order(:id)
            .reject(&:over?)
            .map do |squad|
              Row.new(
                uuid: squad.uuid,
                names: Words.list(squad.sessions.map { |session| session.athlete.name }),
                state: squad.begun? ? "on the deck" : "ready"
              )
            end
        end
      end
    end
  end
end
