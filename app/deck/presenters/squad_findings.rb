# frozen_string_literal: true

module Windlass
  module Presenters
    # What is found of a squad before it begins: how long it takes, what falls together, whether it fits.
    class SquadFindings
      # So many pairs are named.
      NAMED = 3

      AT_ONCE = "All start at once: first breaths fall together, and are rated at the end, by exception."

      # @param squad [Records::Squad]
      # @param line_up [Squad::LineUp]
      # @param names [Array<String>] by lane
      def initialize(squad, line_up, names)
        @squad = squad
        @line_up = line_up
        @names = names
      end

      # @return [Array<String>]
      def all = [length, *clashes, *overlaps, *fit].compact

      private

      def length
        return "Each starts when they say." if @squad.on_the_word

        "All are done after #{Words.clock(@line_up.ends_s)}."
      end

      def clashes
        found = @line_up.collisions
        return [] if @squad.on_the_word
        return [AT_ONCE] if @line_up.starts.uniq.one?
        return ["No two first breaths come less than #{@squad.gap_s} s apart."] if found.zero?

        [
          "#{Words.count(found, "pair")} of first breaths #{(found == 1) ? "comes" : "come"} less than " \
          "#{@squad.gap_s} s apart: #{who_clashes}."
        ]
      end

      # `Ada and Bo at 2:10; Bo and Cy 4 times; 2 pairs more`
      def who_clashes
        all = @line_up.together
        named =
          all.first(NAMED).map do |lanes, moments|
            often = (moments.size > 1) ? Words.times(moments.size) : "at #{Words.clock(moments.first)}"
            "#{lanes.map { |lane| @names[lane] }.join(" and ")} #{often}"
          end
        rest = all.size - named.size
        [*named, ("#{Words.count(rest, "pair")} more" if rest > 0)].compact.join("; ")
      end

      def overlaps
        return [] if @squad.on_the_word || @line_up.pairs.empty?

        together = @line_up.overlaps
        return ["Who watches never holds meanwhile."] if together.empty?

        together.map do |overlap|
          "#{overlap.lanes.map { |lane| @names[lane] }.join(" and ")} hold together for #{overlap.seconds.ceil} s: " \
          "somebody else watches then."
        end
      end

      def fit
        return [] if @squad.minutes.nil? || @squad.on_the_word

        over = @line_up.ends_s - @squad.minutes * 60
        return ["It fits the #{@squad.minutes} min, with #{Words.clock(-over)} to spare."] if over <= 0

        late = @line_up.too_late(@squad.minutes).map { |lane, holds| "#{@names[lane]} #{Words.count(holds, "hold")}" }
        [
          "It takes #{Words.clock(over)} longer than the #{@squad.minutes} min there " \
          "are#{late.any? ? "; too late would be: #{Words.list(late)}" : ", the last of it without holds"}."
        ]
      end
    end
  end
end
