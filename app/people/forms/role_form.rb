# frozen_string_literal: true

module Windlass
  module Forms
    # What somebody is to be, of whom, from when, until when.
    class RoleForm < Form
      KINDS = {"coach" => "coach", "assistant" => "assistant", "keeper" => "keeper"}.freeze

      class Rules < DaysContract
        params do
          required(:kind).filled(:string, included_in?: KINDS.keys)
          optional(:name).maybe(Types::Text)
          # `all`, `athlete 12`, `group 3`
          optional(:of).maybe(Types::Text)
        end

        rule(:name).validate(at_most_characters: 80)
        rule(:of) {
          key.failure("nobody is chosen: a group, or everybody") if values[:kind] != "keeper" && value.to_s.empty?
        }
        rule(:of, :kind) do
          if values[:kind] == "assistant" && !values[:of].to_s.start_with?("group ")
            key.failure("an assistant is given a group, not everybody")
          end
        end
      end
      RULES = Rules

      # @return [Hash] of a role, but for its days
      def role
        what, number = values[:of].to_s.split
        keeper = values[:kind] == "keeper"
        {
          kind: values[:kind],
          athlete_id: (Integer(number, 10, exception: false) if what == "athlete" && !keeper),
          group_id: (Integer(number, 10, exception: false) if what == "group" && !keeper),
          of_all: what == "all" && values[:kind] == "coach"
        }
      end

      # @param today [Date]
      def days(today) = {from_on: values[:from_on] || today, until_on: values[:until_on]}
    end
  end
end
