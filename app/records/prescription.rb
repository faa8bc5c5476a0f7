# frozen_string_literal: true

module Windlass
  module Records
    # A protocol for an athlete: the dose that they have, and the limits that the coach set.
    class Prescription < Record
      self.table_name = "prescriptions"
      belongs_to :athlete
      has_many :moves, -> { kept }, inverse_of: :prescription
      has_many :sessions

      # What it ended when it began.
      belongs_to :replaces, class_name: "Windlass::Records::Prescription", optional: true

      # What is counted aloud; empty: as its family does.
      COUNTING = {"" => "as is usual here", "up" => "up", "down" => "down", "none" => "not at all"}.freeze

      scope :open, -> { where.not(state: "ended") }

      def quiet? = state == "quiet"

      # Quiet breathing, until a measure newer than this has been taken.
      def fall_quiet(now) = update!(state: "quiet", quiet_since: now, reduced: false)

      # @return [Boolean] nothing of it is run any more: it was ended, or was to be run once and was
      def over? = state == "ended" && !(run_once && sessions.run.none?)

      def over_words =
        "#{run_once ? "It was to be run once, and was" : "This prescription is ended"}: nothing of it is run any more."

      def quiet_words = "Quiet breathing for now, until a new measure has been taken."

      # @return [String] what the coach calls it
      def name = own_name || to_protocol.name

      # @return [Protocols::Protocol]
      def to_protocol = Protocols.bound(protocol) { Record.dose(dose) }

      # What ladders hang on, and where on them athletes stand, by all that they depend on.
      STANDINGS = BoundedCache.new(2_000)

      # @param on [Date]
      # @param values [Measures::Values]
      # @return [Progression::Standing, nil] nil where the measures, the model or the screening do not offer the
      #   protocol
      def to_standing(on:, values: athlete.to_values) =
        standing_with(dose, protocol: protocol, reduced: reduced, on: on, values: values)

      # @param with [Hash] a dose that they have, or had, as the database gives it
      # @param bounded_by [Array] {Athlete#bounded_by}
      # @return [Progression::Standing, nil]
      def standing_with(with, protocol:, reduced:, on:, values:, bounded_by: athlete.bounded_by)
        STANDINGS.fetch([protocol, with, reduced, limits, own_dose, values, on, *bounded_by]) do
          given = Record.dose(with)
          Progression::Standing.of(
            Protocols.bound(protocol) { given },
            values,
            dose: given,
            reduced: reduced,
            **to_bounds(on: on, values: values)
          )
        end
      end

      # @return [Hash] what bounds the ladder: the coach, the model, the screening
      def to_bounds(on:, values:)
        {
          limits: {
            **Record.dose(limits),
            **athlete.switches
          },
          from: Record.dose(own_dose),
          **athlete.to_bounds(on: on, values: values)
        }
      end
    end
  end
end
