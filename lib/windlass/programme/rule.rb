# frozen_string_literal: true

module Windlass
  module Programme
    # One rule of the planner: it says why a training may not lie there.
    # @yieldparam placing [Placing]
    # @yieldreturn [String, Reason, nil] why not
    class Rule < Windlass::Rule
      # @param meets [Array<Symbol>] :day, whatever else is planned; :plan, because of what is planned already
      # @see Windlass::Rule#initialize
      def initialize(id, fires_when, effect, place:, meets: %i[day], &check)
        @meets = meets
        super(id, fires_when, effect, place: place, &check)
      end

      def meets?(what) = @meets.include?(what)

      # @return [Reason, nil]
      def check(placing)
        found = fires(placing)
        found.is_a?(String) ? Reason.new(rule: id, text: found) : found
      end
    end
  end
end
