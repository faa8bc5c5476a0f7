# frozen_string_literal: true

module Windlass
  module Timeline
    # What an oximeter said while a session ran, as its journal has it.
    class Readings
      # A finger is late: what it shows then belongs to what the lungs did before.
      LATE_MS = (Physiology::Oximeter::DELAY_S * 1000).round
      AFTER_MS = Physiology::Alignment::AFTER_HOLD_S * 1000
      # One a second is usual; where so long nothing was read, the lowest may have been missed. Milliseconds.
      GAP_MS = 5000

      # @param events [Array<Event>] of one session
      def initialize(events)
        @events = events
        @readings = events.select { |event| event.kind == :oximeter }.sort_by(&:at_ms)
      end

      # @return [Float, nil] the lowest reading that belongs to a hold, 0..1
      def low(start, finish) = within(start, finish).map { |event| event.value / 100.0 }.min

      # @return [Hash{Integer => Float}] by number of the hold, lows beside which readings are missing: it may have been
      #   lower. They may ease, and teach nothing.
      def torn
        return {} if @readings.empty?

        starts, ends = %i[hold_start hold_end].map { |kind| moments(kind) }
        starts
          .slice(*ends.keys)
          .filter_map { |hold, start| [hold, low(start, ends[hold])] if gap?(start, ends[hold]) }
          .to_h
          .compact
      end

      private

      def moments(kind) = @events.select { |event| event.kind == kind }.to_h { |event| [event.round, event.at_ms] }

      def within(start, finish) =
        @readings.select { |event| event.at_ms.between?(start + LATE_MS, finish + LATE_MS + AFTER_MS) }

      def gap?(start, finish)
        [start + LATE_MS, *within(start, finish).map(&:at_ms), finish + LATE_MS + AFTER_MS]
          .each_cons(2)
          .any? { |one, next_one| next_one - one > GAP_MS }
      end
    end
  end
end
