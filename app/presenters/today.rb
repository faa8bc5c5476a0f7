# frozen_string_literal: true

module Windlass
  module Presenters
    # The coach's desk: what must be decided, who trains, what is missing, what changed. Nothing that is not to be acted on.
    class Today
      # @param account [Records::Account]
      # @param now [Time]
      # @param links [MorningLinks]
      # @param group [Records::Group, nil] of whom alone
      def initialize(account, now:, links:, group: nil)
        @account = account
        @links = links
        @group = group
        @ground = Desk::Ground.new(account, now: now, only: group)
        @to_decide = Desk::Decisions.new(@ground)
      end

      def date = Dates.long(@ground.today)

      def nobody? = @ground.athletes.empty?

      def stopped = @stopped ||= @to_decide.stopped

      def twins = @twins ||= @to_decide.twins

      def decisions = @decisions ||= @to_decide.rows

      # @return [Array<Desk::Decisions::Row>] what may be accepted where it stands
      def plain = decisions.select(&:plain)

      def trainings = @trainings ||= Desk::Trainings.new(@ground).rows

      # What the programmes plan for today, slot by slot; then those without a programme; then what is not planned today.
      # @return [Array<Array(String, Array<Desk::Trainings::Row>)>] heading and rows
      def parts
        @parts ||= begin
          free, planned = trainings.partition { |row| row.slot.nil? }
          free, waiting = free.partition { |row| row.together? || row.running }
          other, slots = planned.partition { |row| row.slot.equal?(Desk::Trainings::NOT_TODAY) }
          by_slot = slots.group_by { |row| row.slot.in_words }.sort.map { |words, rows| [words, rows.sort_by { |row| [row.slot.begins, row.name] }] }
          [*by_slot, [by_slot.any? ? "Without a programme" : nil, free], [WAITING, waiting], [UNPLANNED, other]].reject { |_, rows| rows.empty? }
        end
      end

      WAITING = "Wait, or not today"
      UNPLANNED = "Not planned today"

      # @return [Boolean] it is shown folded
      def folded?(heading) = [WAITING, UNPLANNED].include?(heading)

      # @return [Array<Desk::Trainings::Row>] who may run together from a slot: one protocol an athlete, the last of those planned
      def from_slot(rows) = rows.select(&:together?).group_by(&:athlete_id).values.map(&:last).then { |able| able.first(Windlass::Squad::LANES.max) }

      # @return [Boolean] more than one may be run
      def together? = trainings.count(&:together?) >= Windlass::Squad::LANES.min

      # @return [Array<Desk::Squads::Row>] of today, that are not over
      def squads = @squads ||= Desk::Squads.new(@ground).rows

      # @return [Array<Array(String, String, Boolean)>] whose desk it can be: words, address, whether it is
      def desks
        groups = Records::Group.where(account_id: @account.id).by_name.pluck(:name, :id)
        return [] if groups.empty?

        [["Everybody", "/", @group.nil?], *groups.map { |name, id| [name, "/?group=#{id}", @group&.id == id] }]
      end

      # @return [Array<Array(String, String)>] who has no morning score yet, and the address under which each takes it
      def scores = @scores ||= Desk::Scores.new(@ground).missing.map { |athlete| [athlete.name, @links.path(athlete)] }

      # @return [Hash{String => Array<Desk::Missing::Row>}] by heading; empty ones left out
      def notes
        {"Next steps" => Desk::FirstSteps.new(@ground).rows, "Missing" => Desk::Missing.new(@ground).rows, "Changed since yesterday" => Desk::Changes.new(@ground).rows}.reject { |_, rows| rows.empty? }
      end
    end
  end
end
