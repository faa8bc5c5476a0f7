# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RestWarnings =
        Rule.new(
          "rest.warnings",
          :rest,
          "light-headed, strong tingling or nausea now, and one of them in another session of the 14 days before",
          looks_at: :past
        ) do |record|
          warnings = record.evidence.warnings
          earlier = record.earlier_warning if warnings.any?
          if earlier
            "#{Symptoms.words(warnings).capitalize} now, and #{Symptoms.words(Evidence.new(earlier).warnings)} on " \
            "#{Words.date(earlier.date)}. " \
              "Quiet breathing until #{Words.date(NextDose.rested_on(record.session.date))}."
          end
        end
    end
  end
end
