# frozen_string_literal: true

module Windlass
  module Protocols
    # Parts that many families have, each with the numbers a coach may set of it under *More*: how a session begins,
    # what follows a hold, how far a breath out goes. A family extends its class with this, and writes with {Written}.
    module Parts
      # A breath that nobody hurries, where breaths are counted.
      BREATH_S = 5
      # Who comes from a work set has that behind them, seconds: ten repetitions of two seconds, as loaded holds count
      # them.
      WORK_SET_S = 20

      ENTERED = {
        "none" => "rested",
        "light" => "warm, from light exercises",
        "moderate" => "worked up, from moderate exercises",
        "vigorous" => "spent, from a hard work set"
      }.freeze

      # Where a breath out ends, and how deep that is: of half of a big breath, the share of the inspiratory capacity.
      OUT_TO = {"passive" => "passive", "half" => "half of the breath", "complete" => "complete"}.freeze
      HALF_OUT = Physiology::Levels::ABOVE_PASSIVE.fetch(:big) / 2

      # Quiet breathing before the first part; none for whoever comes in spent.
      def settles(seconds, cue:)
        @settling = cue
        detail :settle_s, "settling", :s, 0..600, step: 10, usual: seconds
        detail :entered, "comes in", choices: ENTERED, usual: "none"
      end

      # After every hold: by the clock, or so many breaths.
      def rests(seconds, range = 0..600, breaths: true)
        detail :rest_s, "rest", :s, range, step: 5, shapes: :rest, usual: seconds
        if breaths
          detail :rest_breaths, "rest, in breaths", :breaths, 1..12, step: 1, shapes: :rest, telling: "rest of %s"
        end
      end

      # How each is said; what is passive is said as the family says it.
      OUT_SAID = {"half" => "half of the breath", "complete" => "all of it"}.freeze

      # How a family writes them.
      module Written
        # @return [Array<Timeline::Segment>] what whoever comes in spent has behind them
        def worked_up(dose)
          effort = usual.key?(:entered) ? setting(dose, :entered).to_sym : :none
          return [] if effort == :none

          [
            Timeline::Segment.new(
              kind: :breathe,
              ms: WORK_SET_S * 1000,
              rate: Physiology::Effort::RATES.fetch(effort),
              mets: Physiology::Effort::METS.fetch(effort)
            )
          ]
        end

        private

        def settle(line, dose) = line.breathe(setting(dose, :settle_s), phase: :settle, cue: self.class.settling)

        # @param taken_s [Numeric] of the rest that other parts took already
        def rest(line, dose, cue, taken_s: 0)
          breaths = dose[:rest_breaths]
          if breaths
            return line.breathe(breaths * BREATH_S, breaths: breaths, cue: "#{Words.count(breaths, "breath")}, calm")
          end

          line.breathe([setting(dose, :rest_s) - taken_s, 0].max, cue: cue)
        end

        # A breath out that goes as far as the coach wants.
        # @param how [String] of {OUT_TO}
        # @param cue [String] which way it goes
        # @param passive [String] what is said of one that is neither half nor complete
        def breathe_out(line, seconds, how, cue:, passive:, **details)
          details[:cue] = "#{cue}, #{OUT_SAID.fetch(how, passive)}"
          case how
          when "half"
            line.exhale(seconds, to: :passive, depth: HALF_OUT, told: "half out", **details)
          when "complete"
            line.exhale(seconds, to: :residual, **details)
          else
            line.exhale(seconds, to: :passive, **details)
          end
        end
      end
    end
  end
end
