# frozen_string_literal: true

module Windlass
  module Progression
    # What an athlete may report after a session. Stops suspend all hold work until a clinician has cleared the athlete.
    module Symptoms
      STOPS = {
        blackout: "blackout", motor_loss: "loss of motor control (shaking, nodding)", cyanosis: "blue lips",
        chest_pain: "chest pain", palpitations: "palpitations", coughing_blood: "coughing blood",
        vision_loss: "vision going", confusion: "confusion", one_sided_weakness: "weakness of one side",
        lasting_breathlessness: "breathlessness over an hour", lasting_headache: "headache over an hour"
      }.freeze

      # Two sessions with one of these within a fortnight ask for a rest.
      WARNINGS = {
        lightheaded: "light-headed", strong_tingling: "strong tingling", nausea: "nausea"
      }.freeze

      OTHERS = {panic: "panic", mild_tingling: "mild tingling"}.freeze

      ALL = STOPS.merge(WARNINGS, OTHERS).freeze
      EASING = [*WARNINGS.keys, :panic].freeze

      # @param symptoms [Array<Symbol>]
      def self.words(symptoms) = Words.list(symptoms.map { |symptom| ALL.fetch(symptom) })
    end
  end
end
