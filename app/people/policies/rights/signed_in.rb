# frozen_string_literal: true

module Windlass
  module Policies
    # What belongs to no athlete: the rulebook, the library, the bench.
    class SignedIn < Policy
      about :signed_in, "reads what belongs to no athlete, and looks after their own sign-in",
        roles: Records::Role::KINDS
    end
  end
end
