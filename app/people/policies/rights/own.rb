# frozen_string_literal: true

module Windlass
  module Policies
    # What an athlete sees of themselves, and does alone.
    class Own < Policy
      about :own, "trains by themselves, and sees and says what is theirs", roles: %w[athlete]

      def all? = false
    end
  end
end
