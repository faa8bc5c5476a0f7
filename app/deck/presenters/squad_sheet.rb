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
      def findings = SquadFindings.new(squad, line_up, names).all

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

      # @return [Boolean] the one is chosen to watch the other
      def paired?(row, other) = form.typed_at("pair[#{row.lane}]").to_s == other.lane.to_s

      # @return [Boolean] its starts may still change
      def open? = !squad.begun?

      def over? = squad.over?

      private

      def sessions = @sessions ||= squad.sessions.to_a

      def line_up = @line_up ||= squad.to_line_up
    end
  end
end
