# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      StopSymptom =
        Rule.new("stop.symptom", :stop, "any symptom that stops all hold work") do |evidence|
          stops = evidence.stops
          "#{Symptoms.words(stops).capitalize}: no hold work until a clinician has cleared it." if stops.any?
        end
    end
  end
end
