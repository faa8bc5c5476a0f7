# frozen_string_literal: true

module Windlass
  # A session as parts and marks, in whole milliseconds.
  module Timeline
    FIRST_BREATHS = %i[smooth deeper gasp].freeze

    # Metabolic equivalents at rest.
    REST_METS = 1.0

    SOUND_KINDS = %i[sound_start sound_end].freeze

    KINDS = %i[breathe inhale exhale hold].freeze

    # Of a hold_end: the clock ended what a hand was to end.
    UNMARKED = :unmarked

    WHOLE_KINDS = %i[oximeter hold_now beat effort].freeze

    SAID_KINDS = %i[symptom effort asked hiss].freeze

    # The emergency card was opened, and what was noted on it; they may come before a session began and after it ended.
    EMERGENCY_KINDS = %i[emergency emergency_note].freeze

    EVENT_KINDS = %i[
      start hold_start first_urge contraction hold_end first_breath pause resume oximeter hold_now quiet shorten restore
      beat stop finish
    ].concat(SOUND_KINDS, SAID_KINDS, EMERGENCY_KINDS).freeze
  end
end
