# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      EaseWarning =
        Rule.new("ease.warning", :ease, "light-headed, strong tingling, nausea or panic", place: 10) do |evidence|
          symptoms = evidence.easing_symptoms
          "#{Symptoms.words(symptoms).capitalize}." if symptoms.any?
        end
    end
  end
end
