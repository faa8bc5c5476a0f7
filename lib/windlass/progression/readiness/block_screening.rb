# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      BlockScreening = Rule.new("block.screening", :block,
        "no screening, or older than twelve months; or it blocks this family; or a needed clearance or consent is missing or expired; a maximal test also under 18 years, or with a control pause under 10 s",
        "not today; quiet breathing offered") do |situation|
        findings = situation.columns.map { |column| situation.screen.finding(column, on: situation.date) }
        refused = findings.find { |finding| !finding.allows? }
        besides = situation.activity.refusal(situation.screen, situation.measures)
        next {text: besides, lifts: "Nothing lifts it for now."} if refused.nil? && besides

        refused && {text: refused.reasons.join(" "), lifts: (refused.state == :clearance) ? "Until the clearance or the consent that is missing is on record." : "Until the screening says otherwise."}
      end
    end
  end
end
