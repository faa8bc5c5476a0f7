# frozen_string_literal: true

module Windlass
  module Presenters
    # The coach's desk: what must be decided, who trains, what is missing, what changed. Nothing that is not to be acted on.
    class Today
      # @param account [Records::Account]
      # @param now [Time]
      def initialize(account, now:)
        @ground = Desk::Ground.new(account, now: now)
        @to_decide = Desk::Decisions.new(@ground)
      end

      def date = Dates.long(@ground.today)

      def nobody? = @ground.athletes.empty?

      def stopped = @stopped ||= @to_decide.stopped

      def twins = @twins ||= @to_decide.twins

      def decisions = @decisions ||= @to_decide.rows

      def trainings = @trainings ||= Desk::Trainings.new(@ground).rows

      # @return [Boolean] more than one may be run
      def together? = trainings.count(&:together?) >= Windlass::Squad::LANES.min

      # @return [Array<Desk::Squads::Row>] of today, that are not over
      def squads = @squads ||= Desk::Squads.new(@ground).rows

      # @return [Hash{String => Array<Desk::Missing::Row>}] by heading; empty ones left out
      def notes
        {"Missing" => Desk::Missing.new(@ground).rows, "Changed since yesterday" => Desk::Changes.new(@ground).rows}.reject { |_, rows| rows.empty? }
      end
    end
  end
end
