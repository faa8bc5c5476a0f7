# frozen_string_literal: true

module Windlass
  module Records
    # A session as it is planned. Without a prescription it is a maximal hold.
    class PlannedSession < Record
      self.table_name = "planned_sessions"
      reads :reasons
      belongs_to :programme
      belongs_to :athlete
      belongs_to :prescription, optional: true

      scope :in_order, -> { order(:local_date, :begins_min, :id) }

      def test? = prescription_id.nil?

      def name = test? ? Progression::MAXIMAL_TEST.name : prescription.name

      # @return [Protocols::Protocol, Progression::Activity]
      def to_protocol = test? ? Progression::MAXIMAL_TEST : prescription.to_protocol

      def key = prescription_id || Windlass::Programme::Planner::TEST.key

      def date = local_date

      def at = clock(at_min)

      def begins = clock(begins_min)

      def moved? = !moved_from_on.nil?

      # @return [Array] to sort by: its turn among those that share its slot
      def place_in_slot =
        Windlass::Programme::SlotOrder.of(to_protocol, test? ? nil : Record.dose(prescription.dose)) + [key.to_s]

      # @return [Windlass::Programme::Wish]
      def to_wish = Windlass::Programme::Wish.new(key: key, date: local_date, at_min: at_min, rung: rung)

      private

      def clock(minutes) = format("%02d:%02d", *minutes.divmod(60))
    end
  end
end
