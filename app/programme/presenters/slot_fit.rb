# frozen_string_literal: true

module Windlass
  module Presenters
    # One slot on one day: who starts when, whether it fits, and what to drop if not.
    class SlotFit
      Row = Value.define(:name, :protocol, :starts, :ends, :fits)

      attr_reader :slot, :date

      # @param group [Records::Group]
      # @param slot [Records::Slot]
      # @param date [Date]
      def initialize(group, slot, date)
        @group = group
        @slot = slot
        @date = date
      end

      def title = "#{@group.name}, #{Dates.short(date)} at #{slot.to_core.at}"

      # @return [Array<Row>]
      def rows
        lanes.each_with_index.map do |(planned, lane), index|
          starts = arrangement.starts.fetch(lane.id)
          Row.new(
            name: planned.athlete.name,
            protocol: [planned.name, planned.dose_words].reject(&:empty?).join(", "),
            starts: Words.clock(starts),
            ends: Words.clock(starts + lane.seconds),
            fits: fits(index)
          )
        end
      end

      # @return [String]
      def verdict
        return "Nobody trains then." if lanes.empty?
        return "It fits: the last one is done after #{Words.clock(arrangement.ends_s)} of #{slot.minutes} min." if fits?

        late = rows.reject(&:fits).map(&:name)
        "It does not fit the #{slot.minutes} min: the last one would be done after " \
        "#{Words.clock(arrangement.ends_s)}. Drop or move: #{Words.list(late)}."
      end

      def fits? = arrangement.ends_s <= slot.minutes * 60

      # @return [String, nil] first breaths that fall together
      def collisions =
        if lanes.any? && arrangement.collisions > 0
          "#{Words.count(arrangement.collisions, "pair")} of first breaths would fall less than " \
          "#{Windlass::Squad::Stagger::GAP_S} s apart."
        end

      private

      # The heaviest of each athlete: what is small before it, everybody does by themselves.
      def lanes
        @lanes ||=
          begin
            own =
              Records::PlannedSession
                .where(athlete_id: @group.athletes.map(&:id), local_date: date, at_min: slot.at_min)
                .where.not(prescription_id: nil)
                .includes(:athlete, :prescription)
                .group_by(&:athlete_id)
            own
              .values
              .map { |several| several.max_by { |one| [one.begins_min, one.seconds] } }
              .sort_by { |one| one.athlete.name.downcase }
              .first(Windlass::Squad::Stagger::MOST_LANES)
              .filter_map { |one| lane(one) }
          end
      end

      def lane(planned)
        prescription = planned.prescription
        dose = Records::Record.dose(prescription.dose)
        timeline = prescription.to_protocol.compile(dose)
        [planned, Windlass::Squad::Lane.of(timeline, id: planned.uuid)]
      end

      def fits(index) = arrangement.starts.fetch(lanes[index].last.id) + lanes[index].last.seconds <= slot.minutes * 60

      def arrangement = @arrangement ||= Windlass::Squad::Stagger.of(lanes.map(&:last))
    end
  end
end
