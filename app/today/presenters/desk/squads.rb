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
          squads = @account.of(Records::Squad).where(local_date: @today).order(:id).pluck(:id, :uuid).to_h
          lanes(squads.keys).filter_map { |id, of| row(squads.fetch(id), of) }
        end

        private

        # Of a session no more than what is said of it.
        # @return [Hash{Integer => Array<Array>}] number, state and name of each lane, by squad
        def lanes(ids) =
          Records::Session
            .joins(:athlete)
            .where(squad_id: ids)
            .order(:squad_id, :lane)
            .pluck(:squad_id, :state, "athletes.name")
            .group_by(&:first)

        def row(uuid, lanes)
          states = lanes.map { |_, state, _| state }
          return if states.all? { |state| Records::Session::OVER.include?(state) }

          Row.new(
            uuid: uuid,
            names: Words.list(lanes.map(&:last)),
            state: states.all?("planned") ? "ready" : "on the deck"
          )
        end
      end
    end
  end
end
