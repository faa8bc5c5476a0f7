# frozen_string_literal: true

module Windlass
  # Weeks ahead for one athlete: which protocol on which day, and why there.
  module Programme
    # How long a programme may be, in weeks.
    WEEKS = (1..26)

    KINDS = {competition: "competition", swell: "swell", concert: "concert", test: "test"}.freeze

    WATER_KINDS = %i[competition swell].freeze

    # A maximal hold with all that belongs to it.
    TEST_S = 600

    TEST_PLACES = %i[chair mat].freeze
  end
end
