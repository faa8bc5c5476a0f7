# frozen_string_literal: true

module Windlass
  module Policies
    # All that a coach does, with the athletes that are theirs.
    class Coaches < Policy
      about :coaches, "screens, measures, prescribes, judges and decides, for their own athletes", roles: %w[coach]
    end
  end
end
