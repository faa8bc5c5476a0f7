# frozen_string_literal: true

module Windlass
  module Formats
    # The log as CSV: which files there are, and their columns.
    module LogCsv
      # By name, in words.
      FILES = {"sessions" => "Sessions", "holds" => "Holds", "measures" => "Measures", "dives" => "Dives"}.freeze
      COLUMNS = {
        "sessions" => %w[
          session date began athlete protocol dose holds_done held_s first_breath_smooth first_breath_deeper
          first_breath_gasp effort symptoms line place verdict state discarded note alone
        ],
        "holds" => %w[
          session date athlete protocol hold target_s held_s skipped first_urge_s contraction_s first_breath sao2_low
        ],
        "measures" => %w[measure taken athlete kind value on_waking ended_by first_breath details note],
        "dives" => %w[dive under athlete seconds depth_m hard too_early signs with weight_kg line note]
      }.freeze
    end
  end
end
