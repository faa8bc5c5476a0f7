# frozen_string_literal: true

module Windlass
  # The card for when something happens: what to do, one instruction a line, and the moments that an incident report
  # asks for. Local rules and training come first.
  module Emergency
    FIRST = "Local rules and your training come first."
    # Laying on the side, the airway, getting out, calling, rescue breaths: the handbook, safety. Resuscitation and the
    # defibrillator: common practice, no source.
    DRY = [
      "Roll onto the side.",
      "Open the airway.",
      "Call.",
      "Not breathing: resuscitate as trained, and send for the defibrillator."
    ].freeze
    IN_WATER = ["Airway out of the water.", "Get out.", "Call.", "Rescue breaths as trained."].freeze
    # When to call though everybody breathes: the handbook, safety.
    CALL_NOW = "Not waking, chest pain, breathlessness that stays, weakness of one side: call now."

    # Moments to note by one tap each.
    NOTES = {
      stopped_breathing: "stopped breathing",
      breathing_again: "breathing again",
      called: "called",
      arrived: "help arrived"
    }.freeze
    # Noted once, it counts as what it is: no hold work until a clinician has cleared it.
    MEANS_STOP = :stopped_breathing
    STOP_SYMPTOM = :blackout

    # What is known of a place beforehand: the number to call, where one is, where help lies.
    Place =
      Value.define(:number, :site, :oxygen_at, :defibrillator_at) do
        # @return [Array<Array(String, String)>] label and words, what is not set left out
        def lines =
          [["Site", site], ["Oxygen", oxygen_at], ["Defibrillator", defibrillator_at]].reject do |_, words|
            words.empty?
          end

        # @return [String, nil] said before a session
        def missing = ("No emergency number is set for this place." if number.empty?)
      end
  end
end
