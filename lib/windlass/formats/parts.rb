# frozen_string_literal: true

require "time"

module Windlass
  module Formats
    # What the commands' questions have in common: an athlete, measures, a dose, sessions. Takes parsed JSON that fits
    # its schema; what a schema can't say is refused here, with the path.
    module Parts
      BODY_KEYS = %w[sex age height_cm mass_kg vital_capacity_l posture thrift barometric_mmhg haemoglobin_g_l].freeze
      MEASURE_KEYS = %w[control_pause_s control_pause_paused maximal_hold_s sustained_exhale_beats].freeze

      # @param posture [Symbol, nil] in place of the athlete's own
      # @return [Physiology::Body] one that has room to breathe in every posture: sooner or later each is asked about
      def self.body(athlete, posture = nil)
        body = Physiology::Body.new(**athlete.slice(*BODY_KEYS).transform_keys(&:to_sym))
        %i[seated lying].to_h { |one| [one, body.with(posture: one)] }.fetch(posture, body)
      rescue InvalidValue => error
        raise InvalidInput, ["athlete.vital_capacity_l: #{error.message}"]
      end

      # @param posture [Symbol, nil] where the athlete says none
      # @return [Physiology::Body, nil] nil where no athlete is given
      def self.posed_body(data, posture)
        athlete = data["athlete"] or return
        body(athlete, athlete.key?("posture") ? nil : posture)
      end

      # @return [Physiology::Model, nil] nil where no athlete is given
      def self.model(data, posture: nil)
        athlete = data["athlete"] or return
        Physiology::Model.new(
          posed_body(data, posture),
          control_pause_s: athlete["control_pause_s"] || data.dig("measures", "control_pause_s"),
          full_threshold: athlete["full_threshold"],
          floor: data.fetch("floor_sao2", Physiology::PLANNING_FLOOR)
        )
      end

      # @return [Protocols::Protocol]
      def self.protocol(data)
        Protocols.find(data.fetch("protocol"))
      rescue Unknown => error
        raise InvalidInput, [error.message]
      end

      # @return [Measures::Values]
      def self.measures(data)
        Measures::Values.new(**data.fetch("measures", {}).slice(*MEASURE_KEYS).transform_keys(&:to_sym))
      end

      # @return [Progression::Ladder]
      # @raise [InvalidInput] for a session of blocks: it has no ladder but that of a dose
      def self.ladder(data, protocol = protocol(data), measures = measures(data))
        if protocol.is_a?(Protocols::Blocks)
          raise InvalidInput,
            ["protocol: #{Error.shown(protocol.id)} has no dose of its own; allowed: plan, with a dose"]
        end

        limits = data.fetch("limits", {}).transform_keys(&:to_sym)
        unknown = limits.keys - protocol.levers.flat_map { |lever| [lever.key, *lever.opens.keys] }
        raise InvalidInput, unknown.map { |key| "limits.#{key}: is not known here" } if unknown.any?

        faults =
          limits.filter_map { |key, value| limit_fault(key, value, protocol.levers.any? { |lever| lever.key == key }) }
        raise InvalidInput, faults if faults.any?

        Progression::Ladder.new(protocol, measures, limits: limits, outlook: outlook(data))
      end

      # @return [Progression::Outlook, nil] nil where no athlete is given
      def self.outlook(data) =
        data["athlete"] &&
          Progression::Outlook.new(
            body(data["athlete"], :seated),
            control_pause_s: data["athlete"]["control_pause_s"] || data.dig("measures", "control_pause_s")
          )

      def self.limit_fault(key, value, lever)
        return if lever ? value.is_a?(Numeric) : [true, false].include?(value)

        "limits.#{key}: #{Error.shown(value)} is not allowed; allowed: #{lever ? "a number" : "true or false"}"
      end

      # @return [Progression::Standing]
      # @raise [InvalidInput] where the protocol is not offered, or has no such rung
      def self.standing(data, ladder)
        rung = data.fetch("rung", 0)
        raise InvalidInput, ["measures: #{refusal(ladder, measures(data))}"] unless ladder.offered_at_all?
        raise InvalidInput, ["rung: #{rung} is not allowed; allowed: 0 to #{ladder.top}"] if rung > ladder.top

        standing = Progression::Standing.at(ladder, rung)
        data["reduced"] ? standing.halved : standing
      end

      # @return [String] why a ladder has no rung
      def self.refusal(ladder, measures)
        ladder.cut || ladder.protocol.lacking(measures) ||
          "#{ladder.protocol.name} is not offered: its start passes a limit."
      end

      # Two doses are the same if all their numbers are.
      # @return [Hash] a dose with symbols for keys; what may be left out and is null is left out
      def self.dose(data, protocol)
        optional = protocol.parameters.select(&:optional).map(&:key)
        dose = Protocols.dose(data.fetch("dose")).reject { |key, value| value.nil? && optional.include?(key) }.freeze
        faults =
          protocol.faults(dose).map { |key, fault| "#{key}: #{fault}" } +
          Timeline::Breaks.faults(dose.fetch(:breaks, [])) +
          Timeline::Said
            .faults(dose.fetch(:said, {}))
            .map { |part, fault| "#{["said", part].compact.join(".")}: #{fault}" }
        raise InvalidInput, faults.map { |fault| "dose.#{fault}" } if faults.any?

        protocol.bound(dose).lean(dose)
      end

      # @param path [String] for faults
      # @return [Date]
      def self.date(text, path)
        day = Date.iso8601(text)
        return day if day >= Bounds::EARLIEST

        raise InvalidInput, ["#{path}: #{Error.shown(text)} is not allowed; allowed: from #{Bounds::EARLIEST} on"]
      rescue Date::Error
        raise InvalidInput, ["#{path}: #{Error.shown(text)} is not allowed; allowed: a day such as 2026-03-02"]
      end

      # What the dose asks for is asked of the session, whatever it says itself: so many rounds, each of such a length.
      # @param index [Object] the id of a session that has none
      # @param dose [Hash, nil] that was run; nil: not known
      # @param asked [#call] what such a dose asks for
      # @return [Progression::Session]
      def self.session(given, path, index, protocol:, dose:, asked: Asked.method(:of))
        light = given.fetch("light", false)
        parts = asked[protocol, dose, light]
        rounds = given.fetch("rounds", []).map.with_index(1) { |round, number| round(round, number, parts) }
        Progression::Session.new(
          id: given.fetch("id", index),
          date: date(given.fetch("date"), "#{path}.date"),
          protocol: protocol,
          dose: dose,
          rounds: rounds,
          effort: given["effort"],
          symptoms: given.fetch("symptoms", []).map(&:to_sym),
          rounds_planned: [
            given["rounds_planned"],
            parts ? parts.rounds : (rounds.size if given["rounds_planned"].nil?)
          ].compact.max,
          seconds_done: given["seconds_done"],
          light: light,
          ended_at: given["ended_at"] && moment(given["ended_at"], "#{path}.ended_at"),
          washout: given["washout_mmhg"],
          ribs: given["ribs"]&.to_sym
        )
      end

      # @return [Time]
      def self.moment(text, path) =
        Bounds.moment(text) ||
          raise(
            InvalidInput,
            ["#{path}: #{Error.shown(text)} is not allowed; allowed: a moment such as 2026-03-02T07:30:00Z"]
          )

      # The parts that a dose asks for.
      # targets_s: of one set, in order; nil where a part ends at the urge, at comfort or at a cap.
      Asked =
        Value.define(:rounds, :targets_s) do
          # @return [Asked, nil] nil where the dose is not known
          def self.of(protocol, dose, light)
            return if dose.nil?

            family = Protocols.find(protocol).bound(dose)
            run = light ? family.lightened(dose) : dose
            parts = family.judged_parts(family.compile(run))
            new(rounds: family.rounds(run), targets_s: parts.map { |part| target_s(part) })
          end

          def self.target_s(part)
            Rational(part.ms, 1000) unless part.open?
          end
          private_class_method :target_s

          def target_s(number) = targets_s[(number - 1) % targets_s.size]
        end

      def self.round(given, number, asked)
        Progression::Round.new(
          number: number,
          target_s: asked&.targets_s&.any? ? asked.target_s(number) : given["target_s"],
          held_s: given["held_s"],
          skipped: given.fetch("skipped", false),
          first_breath: given["first_breath"]&.to_sym,
          sao2_low: given["sao2_low"],
          ribs: given["ribs"]&.to_sym,
          stream: given["stream"]&.to_sym,
          unmarked: given.fetch("unmarked", false)
        )
      end

      # Sessions of the past: those of the asked protocol need a dose to be compared by, those of others do not.
      # @param asked [String] id of what is asked about
      # @param ladders [Hash{String => Progression::Ladder}] of protocols whose doses are known
      # @return [Array<Progression::Session>]
      def self.history(data, asked, ladders)
        known = {}
        parts = ->(*of) { known.fetch(of) { known[of] = Asked.of(*of) } }
        data
          .fetch("history", [])
          .map
          .with_index do |given, index|
            id = given.fetch("protocol", asked)
            Progression.activity(id)
            dose = given.key?("dose") ? past_dose(given, id, index) : ladders[id]&.rungs&.at(given.fetch("rung", 0))
            session(given, "history[#{index}]", "history #{index}", protocol: id, dose: dose, asked: parts)
          rescue Unknown => error
            raise InvalidInput, ["history[#{index}].#{error.message}"]
          end
      end

      # A dose of its own, where a session of the past was of no rung.
      def self.past_dose(given, id, index)
        dose(given, protocol({"protocol" => id}))
      rescue InvalidInput => error
        raise InvalidInput, error.faults.map { |fault| "history[#{index}].#{fault}" }
      end
      private_class_method :round, :past_dose
    end
  end
end
