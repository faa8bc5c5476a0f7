# frozen_string_literal: true

module Windlass
  module Progression
    # What an athlete says today, in two taps. Any of {BARRING} leaves quiet breathing only.
    module TodaysQuestions
      BARRING = {
        unwell: "unwell", wheezy: "wheezy or tight in the chest", injured: "injured", alcohol: "alcohol",
        sedatives: "sedatives", faint: "no food for 16 hours, or faint"
      }.freeze
      WATER = :water_today
      ALL = BARRING.merge(WATER => "water later today").freeze
      CHEST_ILLNESS = "a chest illness"

      # @param answers [Hash{Symbol => String}] those that matter
      # @return [String] what a coach asks a group aloud, with the illness that is kept for longer than a day
      def self.aloud(answers = ALL) = "#{Words.list([*answers.values, CHEST_ILLNESS], "or")}?"
    end
  end
end
