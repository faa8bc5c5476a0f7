# frozen_string_literal: true

module Windlass
  module Presenters
    # The coach's desk: what must be decided, who trains, what is missing, what changed. Nothing that is not to be acted on.
    class Today
      # @param account [Records::Account]
      # @param now [Time]
      # @param links [MorningLinks]
      # @param crew [Crew] of whom
      # @param number [Integer] of the page of those without a programme
      # @param all [Boolean] those, too, who train on other days
      def initialize(account, now:, links:, crew: Crew.new(account, "/"), number: 1, all: false)
        @number = number
        @all = all
        @links = links
        @crew = crew
        @ground = Desk::Ground.new(account, now: now, only: crew.group)
        @to_decide = Desk::Decisions.new(@ground)
      end

      def date = Dates.long(@ground.today)

      def nobody? = @ground.athletes.empty?

      def stopped = @stopped ||= @to_decide.stopped

      def twins = @twins ||= @to_decide.twins

      # Of each list the first stand here; the others come up as these are done, or where all is asked for.
      MOST = 40

      def decisions = @decisions ||= first(all_decisions)

      def more_decisions = all_decisions.size - decisions.size

      # @return [Array<Desk::Decisions::Row>] what may be accepted where it stands
      def plain = decisions.select(&:plain)

      # Of those without a programme so many stand on a page.
      PAGE = 40

      def trainings = @trainings ||= desk.rows(desk.waiting[:planned] + shown)

      # @return [Integer] of the page of those without a programme, of how many
      def number = @number.clamp(1, [pages, 1].max)

      def pages = (desk.waiting[:free].size / PAGE.to_f).ceil

      def path(number) = "/?#{URI.encode_www_form({group: crew.group&.id, page: number}.compact)}#train"

      # @return [Integer] who trains on other days, and is shown where it is asked for
      def unplanned = desk.waiting[:unplanned].size

      def all? = @all

      def all_path = "/?#{URI.encode_www_form({group: crew.group&.id, all: 1}.compact)}#train"

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

      # @return [Crew] whose desk it is
      attr_reader :crew

      # @return [Array<Array(String, String)>] who has no morning score yet, and the address under which each takes it
      def scores = @scores ||= first(unscored).map { |athlete| [athlete.name, @links.path(athlete)] }

      def more_scores = unscored.size - scores.size

      # @return [Hash{String => Array(Array<Desk::Missing::Row>, Integer)}] by heading, with how many more; empty ones left out
      def notes
        {"Next steps" => Desk::FirstSteps, "Missing" => Desk::Missing, "Changed since yesterday" => Desk::Changes}
          .transform_values { |part| part.new(@ground).rows.then { |rows| [first(rows), rows.size - first(rows).size] } }.reject { |_, (rows, _)| rows.empty? }
      end

      private

      def first(rows) = @all ? rows : rows.first(MOST)

      def all_decisions = @all_decisions ||= @to_decide.rows

      def unscored = @unscored ||= Desk::Scores.new(@ground).missing

      def desk = @desk ||= Desk::Trainings.new(@ground)

      def shown = desk.waiting[:free].slice((number - 1) * PAGE, PAGE) + (@all ? desk.waiting[:unplanned] : [])
    end
  end
end
