# frozen_string_literal: true

module Windlass
  module Policies
    # The house itself. No athlete's health is among it.
    class Keeps < Policy
      about :keeps, "looks after the house: people, place, archive, the trace", roles: %w[keeper]

      # What of the house names athletes is no part of it: only who also coaches them sees them.
      def all? = false
    end
  end
end
