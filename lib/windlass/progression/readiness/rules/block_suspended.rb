# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      BlockSuspended =
        Rule.new(
          "block.suspended",
          :block,
          "a stop is open, or a session of the past had a symptom that stops and nobody has cleared it",
          "no hold work until a clearance is recorded",
          place: 20
        ) do |situation|
          uncleared =
            situation.newest do |past|
              (past.symptoms & Symptoms::STOPS.keys).any? &&
                (situation.cleared_on.nil? || past.date > situation.cleared_on)
            end
          stopped =
            situation.stopped ||
            (
              uncleared &&
                "#{Symptoms.words(uncleared.symptoms & Symptoms::STOPS.keys).capitalize} on " \
                "#{Words.date(uncleared.date)}."
            )
          {text: stopped, lifts: "Until a clinician has cleared it.", opens: :never} if situation.holds? && stopped
        end
    end
  end
end
