# frozen_string_literal: true

module Windlass
  module Presenters
    # A page of athletes, one line each.
    class Roster
      # rises: how the morning score moves, in a word. six_weeks: training days and steps. step, trained: their days.
      Row =
        Value.define(
          :name, :athlete_id, :about, :control_pause, :rises, :maximal_hold, :standing, :six_weeks, :step, :trained
        )

      attr_reader :list

      # @param list [Records::Roster]
      def initialize(list, today:)
        @list = list
        @today = today
        @athletes = list.athletes
        @values = Records::Measure.newest_values(@athletes)
        @known = Queries::Whereabouts.of(@athletes, today: today)
      end

      def empty? = @athletes.empty?

      def none_words
        return "No athletes yet." if list.nobody?

        list.search.empty? ? "Nobody stands here." : "Nobody has “#{list.search}” in the name or among the disciplines."
      end

      # @return [Integer] of this page, and where the others stand
      def number = list.number

      def pages = list.pages

      def path(number) = list.path(number)

      # @return [String] `40 athletes`
      def count_words = Words.count(list.count, "athlete")

      # @return [Hash{Symbol => Array}] label, what is chosen, choices
      def filters
        {
          who: ["Who", list.who, list.class::WHO.invert.to_a],
          group: ["Group", list.group_id.to_s, [["all", ""], *list.groups]],
          order: ["Sorted", list.order, list.class::ORDERS.invert.to_a]
        }
      end

      def rows
        @athletes.map do |athlete|
          Row.new(
            name: athlete.name,
            athlete_id: athlete.id,
            standing: standing(athlete),
            about: [athlete.age_on(@today), *athlete.disciplines].join(", "),
            control_pause: seconds(athlete, :control_pause_s),
            maximal_hold: seconds(athlete, :maximal_hold_s),
            **course(@known[athlete.id])
          )
        end
      end

      private

      NOTHING = {rises: "", six_weeks: "–", step: "–", trained: "–"}.freeze
      RISES = {1 => "rising", 0 => "", -1 => "falling"}.freeze

      # @param known [Progression::Whereabouts, nil]
      def course(known)
        return NOTHING if known.nil?

        {
          rises: RISES.fetch(known.rises),
          six_weeks: "#{Words.count(known.days, "day")}, #{known.up} up, #{known.down} down",
          step: known.stepped_on ? Dates.brief(known.stepped_on) : "–",
          trained: known.last_on ? Dates.brief(known.last_on) : "–"
        }
      end

      def seconds(athlete, measure) = @values.fetch(athlete.id)[measure]&.then { |value| Words.hold(value) } || "–"

      def standing(athlete)
        return "Left on #{Words.date(athlete.left_on)}" if athlete.left_on

        bound = athlete.suspension_on(@today)
        return bound.stop? ? "Stopped, awaiting clearance" : bound.reason if bound

        open = athlete.rows_of(:prescriptions).reject { |prescription| prescription.state == "ended" }
        return "No prescription" if open.empty?

        open.map { |prescription| words(prescription, athlete) }.join("; ")
      end

      def words(prescription, athlete)
        return "#{prescription.name}: quiet breathing until a new measure" if prescription.quiet?

        standing = prescription.to_standing(on: @today, values: @values.fetch(athlete.id))
        if standing
          "#{prescription.name}, #{LadderLine.new(standing).place.downcase}"
        else
          "#{prescription.name}: not offered by the measures"
        end
      end
    end
  end
end
