# frozen_string_literal: true

module Windlass
  module Programme
    # A training on a day, before it is placed.
    class Placing
      attr_reader :planned, :week, :calendar, :walls, :placed, :before

      # @param planned [Planned] as it would lie
      # @param placed [Array<Planned>] what lies in that week already, of all trainings
      # @param before [Array<Planned>] of the weeks before, as far as a rule may look
      def initialize(planned, week:, calendar:, walls:, placed:, before: [])
        @planned = planned
        @week = week
        @calendar = calendar
        @walls = walls
        @placed = placed
        @before = before
      end

      def training = planned.training

      def berth = planned.berth

      def course = planned.course

      def activity = training.activity

      def date = berth.date

      # @return [Array<Symbol>] of the screening table, that the dose falls under; none: quiet breathing and drills
      def columns = planned.columns

      # @return [Numeric] seconds that are left in the slot
      def room_s = berth.slot.minutes * 60 - beside.sum(&:in_slot_s)

      # @return [Array<Planned>] in the same slot
      def beside = @beside ||= placed.select { |one| one.berth.spot == berth.spot }
    end
  end
end
