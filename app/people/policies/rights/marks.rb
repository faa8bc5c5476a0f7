# frozen_string_literal: true

module Windlass
  module Policies
    # What a deck sends while it runs, and long after. It opens to the key that lies with the deck, so that nothing is
    # lost because a sign-in ended; without one, to whoever may open the deck.
    class Marks < Anyone
      about :marks, "sends the marks of a run: by its own key, or who may open its deck", roles: []
    end
  end
end
