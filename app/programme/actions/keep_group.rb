# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps a group: its name, who is in it, its times of the week.
    module KeepGroup
      # @param group [Records::Group] may be new
      # @param form [Forms::GroupForm]
      # @param among [ActiveRecord::Relation] athletes who may be in it; whoever else is in it stays
      # @return [Records::Group]
      def self.call(group, form, among:)
        group.transaction do
          group.update!(name: form.values[:name])
          others = group.new_record? ? [] : group.athletes.where.not(id: among.select(:id)).to_a
          group.athletes = among.where(id: form.member_ids.uniq).to_a + others
          group.slots = slots(group.slots, form)
          group.reload
        end
      end

      # Times of the week of one athlete alone.
      # @param form [Forms::SlotsForm]
      def self.own_times(athlete, form) = athlete.transaction { athlete.slots = slots(athlete.slots, form) }

      # A time that is as it was stays the same one.
      def self.slots(kept, form) =
        form.slots.map do |slot|
          kept.find { |one| one.attributes.symbolize_keys.slice(*slot.keys) == slot } || Records::Slot.new(slot)
        end
      private_class_method :slots
    end
  end
end
