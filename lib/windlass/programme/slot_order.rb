# frozen_string_literal: true

module Windlass
  module Programme
    # The order in which several are done in one slot: a measure, what is quiet and small, voice and drills, then what
    # is heavy.
    module SlotOrder
      GROUPS = [
        ->(one, _) { one == Progression::MAXIMAL_TEST },
        ->(one, columns) { (columns - %i[small breath]).empty? && !one.strenuous? },
        ->(one, columns) { (columns - %i[small breath voice]).empty? && !one.strenuous? },
        ->(one, _) { !one.strenuous? && !one.once_a_day? }
      ].freeze

      # @param activity [Protocols::Protocol, Progression::Activity]
      # @param dose [Hash, nil] what a session of blocks is hangs on it
      # @return [Array<Integer>] to sort by; what is in none of the groups is heavy, and comes last
      def self.of(activity, dose) =
        [GROUPS.index { |group| group.call(activity, columns(activity, dose)) } || GROUPS.size]

      # @return [Array<Symbol>] of the screening table
      def self.columns(activity, dose) = dose ? activity.columns(dose) : [activity.column].compact
    end
  end
end
