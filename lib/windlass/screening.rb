# frozen_string_literal: true

module Windlass
  # Who may hold their breath at all, and in which way.
  module Screening
    # Mildest first.
    STATES = %i[open care clearance blocked].freeze

    MATRIX = Matrix.load(File.expand_path("../../data/screening.yml", __dir__))

    VALID_MONTHS = 12

    WORDS = {care: "care", clearance: "needs a clinician's clearance", blocked: "blocked"}.freeze
  end
end
