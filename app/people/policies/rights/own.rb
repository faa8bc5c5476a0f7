# frozen_string_literal: true

module Windlass
  module Policies
    # What an athlete sees of themselves.
    class Own < Policy
      about :own, "sees what is theirs", roles: %w[athlete]

      def all? = false
    end
  end
end
