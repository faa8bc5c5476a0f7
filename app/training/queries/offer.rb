# frozen_string_literal: true

module Windlass
  module Queries
    # Whether an athlete is offered a protocol, from where, and why not.
    module Offer
      # @param dose [Hash, nil] nil: the family's own
      # @return [String, nil] why the screening or the age bars it for good; what a clearance would lift is no such
      #   thing
      def self.barred(athlete, protocol, dose, on:)
        screen = athlete.to_screen(on: on)
        columns = dose ? protocol.columns(dose) : protocol.asked_columns
        reasons = columns.filter_map { |column| screen.barred(column) }
        reasons.uniq.join(" ") if reasons.any?
      end

      # @return [String] `rung 3 of 8, since 12 October 2026`
      def self.place_words(open, now)
        standing = open.quiet? ? nil : open.to_standing(on: now.to_date)
        if standing
          ["rung #{standing.rung + 1} of #{standing.ladder.rungs.size}", "since #{Words.date(open.started_on)}"].join(
            ", "
          )
        end
      end

      # @param bounds [Hash] of the ladder besides those of the athlete: from, limits
      # @return [String, nil] why the athlete is not offered a protocol
      def self.objection(athlete, protocol, on:, values: athlete.to_values, **bounds)
        ladder = ladder(athlete, protocol, on, values, **bounds)
        return if ladder.offered_at_all?

        ladder.cut || protocol.lacking(values) ||
          "Not offered: #{ladder.passed || "its start passes a limit of this athlete's"}."
      end

      # Its start: nothing above it is asked for here.
      def self.ladder(athlete, protocol, on, values, limits: {}, **bounds)
        Progression::Ladder.new(
          protocol,
          values,
          most: 1,
          limits: {
            **limits,
            **athlete.switches
          },
          **bounds,
          **athlete.to_bounds(on: on, values: values)
        )
      end

      # What was waited for may be any measure that doses are computed from. Without holds there is nothing to wait for.
      # @param prescription [Records::Prescription] that has fallen quiet
      # @return [Boolean] it may begin anew
      def self.measured_anew?(prescription)
        return true unless prescription.to_protocol.holds?

        prescription.athlete.measures.reload.any? do |measure|
          measure.taken_at > prescription.quiet_since &&
            (measure.control_pause? ? measure.to_control_pause.valid? : measure.kind == "maximal_hold")
        end
      end
    end
  end
end
