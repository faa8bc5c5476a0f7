# frozen_string_literal: true

module Windlass
  # Several athletes at once.
  module Squad
    # On a deck for several each has a letter. C, E, H and the other letters of the deck's keys are left out: a key has
    # one meaning, and that of an emergency least of all a second one.
    LETTERS = %w[A D F G I J K L R W X Z].freeze
    LANES = (2..LETTERS.size)
  end
end
