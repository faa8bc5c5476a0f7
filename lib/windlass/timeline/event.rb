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

    # hold_now: a retention was begun after so many breaths, fewer than planned.
    # quiet: from here on quiet breathing, whatever the plan says.
    # shorten: from here on holds are shorter. restore: one breath more in a rest. beat: the pace by heartbeat from the
    # next round on. symptom, effort, asked: what was said on the deck. hiss: what a microphone heard of an exhale,
    # :"14200.even", milliseconds and how.
    SHORTEN_TO = 0.75
  end
end
