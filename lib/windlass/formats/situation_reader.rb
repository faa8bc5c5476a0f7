# frozen_string_literal: true

module Windlass
  module Formats
    # What `bin/windlass ready` is asked, as a {Progression::Situation}.
    module SituationReader
      # @param data [Hash] that fits docs/formats/ready.schema.json
      # @return [Progression::Situation]
      # @raise [InvalidInput]
      def self.read(data)
        activity = activity(data)
        day = Parts.date(data.fetch("date"), "date")
        mornings = mornings(data)
        measures = measures(data, mornings.scores.reject { |pause| pause.taken_at.to_date > day })
        ladder = activity.is_a?(Protocols::Protocol) ? Parts.ladder(data, activity, measures) : nil
        standing = standing(data, ladder, measures)
        Progression::Situation.new(
          date: day,
          now: data["now"] && Parts.moment(data["now"], "now"),
          activity: activity,
          standing: standing,
          **ground(data, measures, mornings),
          **said(data),
          history: history(data, activity.id, {activity.id => ladder}.compact),
          forecast_washout: washout(data, standing),
          care: standing&.ladder&.care?(standing.rung) || false
        )
      end

      # What is known of the athlete, whatever is asked about.
      # @return [Hash] of a {Progression::Situation}
      def self.ground(data, measures, mornings)
        {
          measures: measures,
          screen: screen(data),
          mornings: mornings,
          context: context(data),
          illness: illness(data),
          movement_fault: movement(data)
        }
      end

      # What is said of the day, of stops and of rests.
      def self.said(data)
        {
          stopped: data["stopped"],
          cleared_on: day(data["cleared_on"], "cleared_on"),
          resting_until: day(data["resting_until"], "resting_until"),
          answers: answers(data),
          watcher: data["watcher"],
          oximeter: data["oximeter"]
        }
      end

      # The newest valid morning score is the control pause, where none is given.
      def self.measures(data, scores)
        given = Parts.measures(data)
        given = given.with(control_pause_paused: true) if data["control_pause_use"] == "paused"
        given.control_pause_s.nil? ? given.with(control_pause_s: scores.last&.seconds) : given
      end

      # Where a measure is missing, whether a day is one for it can be said, but not with which dose.
      def self.standing(data, ladder, measures)
        return if ladder.nil?
        if ladder.offered_at_all? || ladder.protocol.needs.keys.none? { |need| measures[need].nil? }
          return Parts.standing(data, ladder)
        end

        Progression::BareRung.new(rung: data.fetch("rung", 0))
      end

      # Of a session that says nothing of its rounds only the day counts, and that it was.
      # @return [Array<Progression::Session, Progression::Outline>]
      def self.history(data, asked, ladders)
        Parts
          .history(data, asked, ladders)
          .zip(data.fetch("history", []))
          .map do |session, given|
            if given.key?("rounds")
              session
            else
              Progression::Outline.new(**session.to_h.slice(:id, :date, :protocol, :ended_at, :washout, :symptoms))
            end
          end
      end

      def self.activity(data)
        Progression.activity(data.fetch("protocol"))
      rescue Unknown => error
        raise InvalidInput, [error.message]
      end

      def self.screen(data)
        given = data.fetch("screen")
        unknown = given.fetch("conditions", []) - Screening::MATRIX.conditions.map { |one| one.id.to_s }
        if unknown.any?
          raise InvalidInput,
            unknown.map { |one|
              "screen.conditions: #{Error.shown(one)} is not allowed; allowed: " \
              "#{Screening::MATRIX.conditions.map(&:id).join(", ")}"
            }
        end

        Screening::Screen.new(
          answered_on: day(given["answered_on"], "screen.answered_on"),
          age: given["age"] || data.dig("athlete", "age") || Screening::Ages::ADULT,
          conditions: given.fetch("conditions", []).map(&:to_sym),
          guardian_consent_on: day(given["guardian_consent_on"], "screen.guardian_consent_on"),
          clearances:
            given.fetch("clearances", []).map.with_index { |one, index| clearance(one, "screen.clearances[#{index}]") }
        )
      end

      def self.clearance(given, path)
        Screening::Clearance.new(
          columns: given.fetch("columns").map(&:to_sym),
          given_on: day(given["given_on"], "#{path}.given_on"),
          expires_on: day(given["expires_on"], "#{path}.expires_on")
        )
      end

      def self.day(text, path) = text && Parts.date(text, path)

      def self.answers(data) =
        data.fetch("today", []).map(&:to_sym) + (data["water_today"] ? [Progression::TodaysQuestions::WATER] : [])

      # A morning score that is valid ended with a bodily signal and a calm breath; one that is not did neither.
      def self.mornings(data)
        Measures::MorningSeries.new(
          data
            .dig("measures", "morning_control_pauses")
            .to_a
            .map
            .with_index do |given, index|
              taken = Parts.date(given.fetch("date"), "measures.morning_control_pauses[#{index}].date")
              Measures::ControlPause.new(
                seconds: given.fetch("seconds"),
                taken_at: Time.new(taken.year, taken.month, taken.day, 7),
                on_waking: true,
                ended_by: given.fetch("valid", true) ? :diaphragm : :distraction,
                first_breath: :calm
              )
            end
        )
      end

      def self.context(data)
        Measures::Context.new(
          use: data.fetch("control_pause_use", "primary").to_sym,
          sleep_signs: data.fetch("fall_expected", false)
        )
      end

      # @return [String, nil] what was wrong with the breathing movement
      def self.movement(data)
        given = data["breathing_movement"] or return
        Measures::BreathingMovement.fault(
          supine_paradoxical: given.fetch("paradoxical", false) ? "yes" : "no",
          **(given.fetch("belly_found", true) ? {} : {supine_belly_only: "no", prone_belly_only: "no"})
        )
      end

      def self.illness(data)
        given = data["illness"] or return
        Progression::Illness.new(
          last_day: Parts.date(given.fetch("last_day"), "illness.last_day"),
          chest: given.fetch("chest", false)
        )
      end

      def self.washout(data, standing)
        Parts.outlook(data)&.strongest_washout(standing.protocol, standing.dose) if standing&.dose
      end
      private_class_method :activity, :standing, :screen, :clearance, :answers, :context, :movement, :illness, :washout
    end
  end
end
