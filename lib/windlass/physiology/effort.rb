# frozen_string_literal: true

module Windlass
  module Physiology
    # Metabolic equivalents of what athletes do before or while they hold.
    # Source: Compendium of Physical Activities, 2011 update (from memory): calisthenics and walking.
    module Effort
      METS = {none: 1.0, walking: 3.5, light: 2.8, moderate: 3.8, vigorous: 8.0}.freeze
      # Breaths a minute at each; common practice, no source.
      RATES = {none: 12, walking: 16, light: 15, moderate: 18, vigorous: 26}.freeze
      WORDS = {
        none: "none", walking: "walking", light: "light exercises", moderate: "moderate exercises",
        vigorous: "vigorous exercises"
      }.freeze
    end
  end
end
