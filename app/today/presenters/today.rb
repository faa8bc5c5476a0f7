# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # The coach's desk: what must be decided, who trains, what is missing, what changed. Nothing that is not to be acted
    # on.
    class Today
      extend Forwardable

      # @param account [Records::Account]
      # @param now [Time]
      # @param links [MorningLinks]
      # @param athlete_filter [AthleteFilter] of whom
      # @param number [Integer] of the page of those without a programme
      # @param all [Boolean] those, too, who train on other days
      def initialize(account, now:, links:, athlete_filter: AthleteFilter.new(account, "/"), number: 1, all: false)
        @number = number
        @all = all
        @links = links
        @athlete_filter = athlete_filter
        @account = account
        @now = now
        @entries = Desk::Entries.new(account, athlete_filter.whole, now: now)
      end

      def_delegators :in_parts, :parts, :folded?, :from_slot, :together?

      def date = Dates.long(@now.to_date)

      def nobody? = @entries.empty?

      def stopped = @entries.all(:stopped)

      def twins = @entries.all(:twins)

      # Of each list the first stand here; the others come up as these are done, or where all is asked for. Two decks
      # full.
      MOST = 2 * Windlass::Squad::LANES.max

      def decisions = @decisions ||= first(all_decisions)

      def more_decisions = all_decisions.size - decisions.size

      # @return [Array<Desk::Decisions::Row>] what may be accepted where it stands
      def plain = decisions.select(&:plain)

      # Only of those that are shown it is asked whether they may.
      def trainings = @trainings ||= Desk::Trainings.new(shown, now: @now).rows

      # @return [Integer] of the page of those without a programme, of how many
      def number = @number.clamp(1, [pages, 1].max)

      def pages = (openings(:free).size / MOST.to_f).ceil

      def path(number) = "/?#{URI.encode_www_form({group: athlete_filter.group&.id, page: number}.compact)}#train"

      # @return [Integer] who trains on other days, and is shown where it is asked for
      def unplanned = openings(:unplanned).size

      def all? = @all

      def all_path = "/?#{URI.encode_www_form({group: athlete_filter.group&.id, all: 1}.compact)}#train"

      # @return [Array<Desk::Squads::Row>] of today, that are not over
      def squads = @squads ||= Desk::Squads.new(@account, today: @now.to_date).rows

      # @return [AthleteFilter] whose desk it is
      attr_reader :athlete_filter

      # @return [Array<Array(String, String)>] who has no morning score yet, and the address under which each takes it
      def scores = @scores ||= first(@entries.unscored).then { |some| linked(some) }

      def more_scores = @entries.unscored.size - scores.size

      # @return [Hash{String => Array(Array<Desk::MissingRow>, Integer)}] by heading, with how many more; empty ones
      #   left out
      def notes
        {
          "Next steps" => :steps,
          "Missing" => :missing,
          "Look at" => :looks,
          "Changed since yesterday" => :changes
        }.transform_values { |list| @entries.all(list).then { |rows| [first(rows), rows.size - first(rows).size] } }
          .reject { |_, (rows, _)| rows.empty? }
      end

      private

      def in_parts = @in_parts ||= TodaysTrainings.new(trainings)

      def first(rows) = @all ? rows : rows.first(MOST)

      def all_decisions = @all_decisions ||= @entries.decisions

      def linked(some)
        athletes =
          Records::Athlete.where(id: some.map(&:first)).select(:id, :uuid, :morning_links_revoked).index_by(&:id)
        some.map { |id, name| [name, @links.path(athletes.fetch(id))] }
      end

      # @return [Array<Desk::Opening>] of that kind
      def openings(kind) = (@openings ||= @entries.all(:openings).group_by(&:kind)).fetch(kind, [])

      def shown =
        openings(:planned) + openings(:free).slice((number - 1) * MOST, MOST) + (@all ? openings(:unplanned) : [])
    end
  end
end
