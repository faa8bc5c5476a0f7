# frozen_string_literal: true

module Windlass
  module Policies
    # The deck of a session, which is the same for whoever runs it.
    class Decks < Policy
      about :decks, "opens the deck of a session, and marks in it: with the athletes of theirs, or with themselves",
        roles: %w[coach assistant athlete]
    end
  end
end
