# frozen_string_literal: true

module Windlass
  module Progression
    # What an athlete may report after a session. Stops suspend all hold work until a clinician has cleared the athlete.
    module Symptoms
      STOPS = {
        blackout: "blackout",
        motor_loss: "loss of motor control (shaking, nodding)",
        cyanosis: "blue lips",
        chest_pain: "chest pain",
        palpitations: "palpitations",
        coughing_blood: "coughing blood",
        vision_loss: "loss of vision",
        confusion: "confusion",
        one_sided_weakness: "weakness of one side",
        lasting_breathlessness: "breathlessness over an hour",
        lasting_headache: "headache over an hour"
      }.freeze

      # Two sessions with one of these within a fortnight ask for a rest.
      WARNINGS = {lightheaded: "light-headed", strong_tingling: "strong tingling", nausea: "nausea"}.freeze

      OTHERS = {panic: "panic", mild_tingling: "mild tingling"}.freeze

      ALL = STOPS.merge(WARNINGS, OTHERS).freeze
      EASING = [*WARNINGS.keys, :panic].freeze

      # How strong it was, as it is noted while it is there.
      STRENGTHS = {1 => "mild", 2 => "clear", 3 => "strong"}.freeze

      # Noted on the deck, at a moment of the session.
      Noted =
        Value.define(:symptom, :strength, :at_ms) do
          # @param event [Timeline::Event] of kind :symptom
          def self.of(event)
            symptom, strength = event.value.to_s.split(".")
            new(symptom: symptom.to_sym, strength: Integer(strength, 10), at_ms: event.at_ms)
          end

          def in_words = "#{ALL.fetch(symptom)}, #{STRENGTHS.fetch(strength)}, at #{Words.clock(at_ms / 1000)}"
        end

      # @param symptoms [Array<Symbol>]
      def self.words(symptoms) = Words.list(symptoms.map { |symptom| ALL.fetch(symptom) })
    end
  end
end
