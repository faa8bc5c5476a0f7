# frozen_string_literal: true

module Windlass
  module Records
    # What a person is, of whom, from when until when. A role that ended stays on record.
    class Role < Record
      self.table_name = "roles"

      KINDS = %w[keeper coach assistant athlete].freeze

      belongs_to :person
      belongs_to :athlete, optional: true
      belongs_to :group, optional: true

      scope :on, ->(day) { where(from_on: ..day).where("until_on IS NULL OR until_on >= ?", day) }

      # @param on [Date]
      def holds?(on) = from_on <= on && (until_on.nil? || until_on >= on)

      # @param moment [Time] perhaps of the day on which it was ended
      def held_at?(moment) = ended_at ? from_on <= moment.to_date && moment <= ended_at : holds?(moment.to_date)

      # @return [String] `coach of the choir`, `keeper`
      def in_words
        whom = of_all ? "everybody" : group&.name || athlete&.name
        [kind, *whom].join(" of ")
      end
    end
  end
end
