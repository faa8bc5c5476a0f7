# frozen_string_literal: true

module Windlass
  module Presenters
    # Several sessions before they begin together: all breath lines on one time axis, the first breaths on a common
    # rule.
    class SquadSheet
      Row = Value.define(:lane, :letter, :name, :session, :protocol, :length, :ends, :open)

      attr_reader :squad

      # @param squad [Records::Squad]
      # @param form [Forms::SquadForm, nil] as it was typed, with its faults
      def initialize(squad, form: nil)
        @squad = squad
        @form = form
      end

      def title = "Together: #{names.size} on one deck"

      def names = @names ||= sessions.map { |session| session.athlete.name }

      def form = @form ||= Forms::SquadForm.of(squad)

      def chart = @chart ||= SquadChart.new(line_up, sessions)

      # @return [Array<Row>]
      def rows
        @rows ||=
          sessions.map do |session|
            length = line_up.lanes[session.lane].seconds
            Row.new(
              lane: session.lane,
              letter: Windlass::Squad::LETTERS[session.lane],
              name: session.athlete.name,
              session: session.uuid,
              protocol: session.prescription.name,
              length: Words.clock(length),
              ends: Words.clock(session.starts_s + length),
              open: session.to_timeline.holds.any? { |place| place.segment.open? }
            )
          end
      end

      # @return [Array<String>] how long it takes, what falls together, whether it fits
      def findings = [length, *clashes, *overlaps, *fit].compact

      # name, lane, and how many first breaths nobody rated.
      Unrated = Value.define(:name, :lane, :open)

      # @return [Array<Unrated>] once it is over, by lane
      def unrated
        return [] unless over?

        @unrated ||=
          sessions
            .map { |session| Unrated.new(name: session.athlete.name, lane: session.lane, open: session.unrated.size) }
            .reject { |one| one.open.zero? }
      end

      # @return [Boolean] its starts may still change
      def open? = !squad.begun?

      def over? = squad.over?

      private

      def sessions = @sessions ||= squad.sessions.to_a

      def line_up = @line_up ||= squad.to_line_up

      def length
        return "Each starts when they say." if squad.on_the_word

        "All are done after #{Words.clock(line_up.ends_s)}."
      end

      # So many pairs are named.
      NAMED = 3

      def clashes
        found = line_up.collisions
        return [] if squad.on_the_word
        return [AT_ONCE] if line_up.starts.uniq.one?
        return ["No two first breaths come less than #{squad.gap_s} s apart."] if found.zero?

        [
          "#{Words.count(found, "pair")} of first breaths #{(found == 1) ? "comes" : "come"} less than " \
          "#{squad.gap_s} s apart: #{who_clashes}."
        ]
      end

      AT_ONCE = "All start at once: first breaths fall together, and are rated at the end, by exception."

      # `Ada and Bo at 2:10; Bo and Cy 4 times; 2 pairs more`
      def who_clashes
        all = line_up.together
        named =
          all.first(NAMED).map do |lanes, moments|
            often = (moments.size > 1) ? Words.times(moments.size) : "at #{Words.clock(moments.first)}"
            "#{lanes.map { |lane| names[lane] }.join(" and ")} #{often}"
          end
        rest = all.size - named.size
        [*named, ("#{Words.count(rest, "pair")} more" if rest > 0)].compact.join("; ")
      end

      def overlaps
        return [] if squad.on_the_word || line_up.pairs.empty?

        together = line_up.overlaps
        return ["Who watches never holds meanwhile."] if together.empty?

        together.map do |overlap|
          "#{overlap.lanes.map { |lane| names[lane] }.join(" and ")} hold together for #{overlap.seconds.ceil} s: " \
          "somebody else watches then."
        end
      end

      def fit
        return [] if squad.minutes.nil? || squad.on_the_word

        over = line_up.ends_s - squad.minutes * 60
        return ["It fits the #{squad.minutes} min, with #{Words.clock(-over)} to spare."] if over <= 0

        late = line_up.too_late(squad.minutes).map { |lane, holds| "#{names[lane]} #{Words.count(holds, "hold")}" }
        [
          "It takes #{Words.clock(over)} longer than the #{squad.minutes} min there " \
          "are#{late.any? ? "; too late would be: #{Words.list(late)}" : ", the last of it without holds"}."
        ]
      end
    end
  end
end
