# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # Who runs together today.
      class Squads
        Row = Value.define(:uuid, :names, :state)

        # @param ground [Ground]
        def initialize(ground)
          @ground = ground
        end

        # @return [Array<Row>] those that are not over
        def rows
          Records::Squad.where(local_date: @ground.today, id: Records::Session.where(athlete_id: @ground.by_id.keys, local_date: @ground.today).where.not(squad_id: nil).select(:squad_id))
            .includes(sessions: :athlete).order(:id).reject(&:over?).map do |squad|
              Row.new(uuid: squad.uuid, names: Words.list(squad.sessions.map { |session| session.athlete.name }), state: squad.begun? ? "on the deck" : "ready")
            end
        end
      end
    end
  end
end
