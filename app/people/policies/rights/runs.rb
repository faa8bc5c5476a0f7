# frozen_string_literal: true

module Windlass
  module Policies
    # A session that runs: what an assistant does beside a coach. Nothing is decided by it.
    class Runs < Policy
      about :runs, "runs sessions and writes down what happens, for the athletes of their groups",
        roles: %w[coach assistant]
    end
  end
end
