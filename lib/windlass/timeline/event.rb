# frozen_string_literal: true

module Windlass
  module Timeline
    # Something that happened while a timeline ran, at a moment of the session's own clock.
    # @param kind [Symbol] one of {EVENT_KINDS}
    # @param at_ms [Integer]
    # @param round [Integer, nil] number of the hold, where the event belongs to one
    # @param value [Symbol, Integer, nil] :smooth, :deeper or :gasp for a first breath; whole percent for an oximeter,
    #   breaths for hold_now, one of {Emergency::NOTES} for an emergency_note, beats a minute for a beat, 0 to 10 for an
    #   effort, symptom and strength for a symptom: :"nausea.2"
    Event = Value.define(:kind, :at_ms, round: nil, value: nil)

    FIRST_BREATHS = %i[smooth deeper gasp].freeze
    SOUND_KINDS = %i[sound_start sound_end].freeze
    # Of a hold_end: the clock ended what a hand was to end.
    UNMARKED = :unmarked
    # hold_now: a retention was begun after so many breaths, fewer than planned.
    # quiet: from here on quiet breathing, whatever the plan says.
    # shorten: from here on holds are shorter. restore: one breath more in a rest. beat: the pace by heartbeat from the
    # next round on. symptom, effort, asked: what was said on the deck. hiss: what a microphone heard of an exhale,
    # :"14200.even", milliseconds and how.
    SHORTEN_TO = 0.75
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
