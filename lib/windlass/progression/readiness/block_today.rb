# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      BlockToday = Rule.new("block.today", :block,
        "unwell, wheezy, injured, alcohol, sedatives, no food for 16 hours or faint", "quiet breathing only") do |situation|
        said = TodaysQuestions::BARRING.slice(*situation.answers).values
        {text: "Today: #{Words.list(said)}.", lifts: "Until a day without it."} if situation.holds? && said.any?
      end
    end
  end
end
