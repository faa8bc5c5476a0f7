# frozen_string_literal: true

module Windlass
  module Forms
    # A group: a name, who is in it, and its times of the week.
    class GroupForm < SlotsForm
      class Rules < Contract
        params { required(:name).filled(Types::Text) }
        rule(:name).validate(at_most_characters: 60)
      end
      RULES = Rules

      # @return [Array<String>]
      def member_ids = list_at(:members)

      # @param group [Records::Group]
      def self.of(group) =
        from(group.slots, name: group.name.to_s, members: group.athletes.map { |athlete| athlete.id.to_s })
    end
  end
end
