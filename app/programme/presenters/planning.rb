# frozen_string_literal: true

module Windlass
  module Presenters
    # How far the planning of a group is.
    class Planning
      attr_reader :group

      def initialize(group)
        @group = group
      end

      # @return [Array<Records::Programme>] what waits, and what of the others stands already
      def programmes =
        @programmes ||=
          waiting +
          Records::Programme.open.where(group_id: group.id).where.not(athlete_id: waiting.map(&:athlete_id)).to_a

      def waiting = @waiting ||= Records::Programme.waiting.where(group_id: group.id).includes(:athlete).order(:id).to_a

      def done = programmes.size - waiting.size

      def words = "#{done} of #{Words.count(programmes.size, "programme")} planned"
    end
  end
end
