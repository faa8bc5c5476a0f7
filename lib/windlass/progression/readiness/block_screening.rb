# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      BlockScreening = Rule.new("block.screening", :block,
        "no screening, or older than twelve months; or it blocks this family; or a needed clearance or consent is missing or expired",
        "not today; quiet breathing offered") do |situation|
        findings = situation.activity.columns(situation.dose || {}).map { |column| situation.screen.finding(column, on: situation.date) }
        refused = findings.find { |finding| !finding.allows? }
        refused && {text: refused.reasons.join(" "), lifts: (refused.state == :clearance) ? "A clearance, or the consent that is missing." : "A new screening."}
      end
    end
  end
end
