# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      BlockScreening =
        Rule.new(
          "block.screening",
          :block,
          "no screening, or older than twelve months, or dated ahead; or it blocks this family; or a needed " \
          "clearance or consent is missing or expired; a maximal test also under 18 years, or with a control pause " \
          "under 10 s; at 16 and 17 years a hold over half of the maximal one",
          "not today; quiet breathing offered",
          place: 10
        ) do |situation|
          findings = situation.columns.map { |column| situation.screen.finding(column, on: situation.date) }
          refused = findings.reject(&:allows?).map { |finding| [finding.reasons, finding.lifts] }
          planned_s =
            if situation.dose && situation.screen.age < Screening::Ages::ADULT
              situation.activity.longest_hold_s(situation.dose)
            end
          besides =
            situation.activity.refusals(situation.screen, situation.measures) +
            [Screening::Ages.too_long(situation.screen.age, planned_s, situation.measures&.maximal_hold_s)].compact
          refused += besides.map { |refusal| [[refusal.text], refusal.lifts] }
          next if refused.empty?

          {text: refused.flat_map(&:first).uniq.join(" "), lifts: refused.map(&:last).uniq.join(" "), opens: :never}
        end
    end
  end
end
