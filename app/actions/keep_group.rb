# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps a group: its name, who is in it, its times of the week.
    module KeepGroup
      # @param group [Records::Group] may be new
      # @param form [Forms::GroupForm]
      # @return [Records::Group]
      def self.call(group, form)
        group.transaction do
          group.update!(name: form.values[:name])
          group.athletes = Records::Athlete.where(account_id: group.account_id, id: form.member_ids)
          group.slots = form.slots.map { |slot| group.slots.find { |one| one.attributes.symbolize_keys.slice(*slot.keys) == slot } || Records::Slot.new(slot) }
          group.reload
        end
      end
    end
  end
end
