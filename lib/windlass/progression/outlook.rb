# frozen_string_literal: true

module Windlass
  module Progression
    # What the gas model says of the rungs of one athlete: how low oxygen falls, and where that cuts a ladder.
    class Outlook
      # A rung on which a hold falls under this is cut, with all above it.
      CUT = 0.75
      # So far above the floor a rung speaks for all those below it.
      CLEAR = Physiology::PLANNING_FLOOR + 0.02
      # Of an uneventful maximal hold this much counts as shown, for so long.
      SHOWN_SHARE = 0.8
      SHOWN_DAYS = 56
      # Answers that are kept of one body.
      MOST_KEPT = 500

      # @param values [Measures::Values]
      # @return [Numeric, nil] eight tenths of an uneventful maximal hold that is not too old
      def self.shown_s(values, on)
        shown_on = values.maximal_hold_shown_on
        values.maximal_hold_s * SHOWN_SHARE if shown_on && shown_on > on - SHOWN_DAYS
      end

      # @param body [Physiology::Body] seated
      # @param shown_s [Numeric, nil] full-lung hold at rest that the athlete has shown
      # @param control_pause_s [Numeric, nil] says when the urge comes
      # @param memo [Hash] of this body alone: keeps what was simulated once, for a ladder asks the same again and again
      def initialize(body, shown_s: nil, control_pause_s: nil, memo: {})
        @body = body
        @control_pause_s = control_pause_s
        @shown_s = shown_s
        @memo = memo
      end

      # @return [Hash] the dose with what the model sets of it
      def fitted(protocol, dose)
        protocol.computed.empty? ? dose : remember(:fitted, protocol, dose) { protocol.fitted(dose, @body) }
      end

      # @return [Float] lowest saturation of any planned hold, 0..1
      def lowest_saturation(protocol, dose) = forecast(protocol, dose).first

      # @return [Float] strongest washout of carbon dioxide at the start of a hold, mmHg
      def strongest_washout(protocol, dose) = forecast(protocol, dose)[1]

      # @return [String, nil] why this dose is not offered to this body
      def objection(protocol, dose)
        unfit = protocol.objection(dose) || over_breathed(protocol, dose) || urge_too_late(protocol, dose)
        return unfit if unfit
        return if lowest_saturation(protocol, dose) >= CUT || shown?(protocol, dose)

        "The gas model forecasts oxygen under #{(CUT * 100).round} % in a hold."
      end

      # No hold of this rung comes near the planning floor, nor of any below it: a step makes holds longer, rests
      # shorter or rounds more, and none of these lifts the lowest reading. Patterns that set the depth of their breaths
      # are another matter: of those every rung is asked.
      def clear?(protocol, dose)
        !holding?(protocol, dose) ||
          (
            !protocol.paced && !watches_washout?(protocol) && !protocol.waits_for_urge?(dose) &&
              protocol.objection(dose).nil? && lowest_saturation(protocol, dose) >= CLEAR
          )
      end

      def care?(protocol, dose) = lowest_saturation(protocol, dose) < Physiology::PLANNING_FLOOR

      private

      # A step of some levers makes holds begin with more washed out: of those every rung is asked.
      def watches_washout?(protocol) = protocol.is_a?(Protocols::Blocks) || !protocol.washout_limit(nil).nil?

      def over_breathed(protocol, dose)
        washout = forecast(protocol, dose).last
        if washout
          "A hold would begin over-breathed: #{Words.number(washout)} mmHg of carbon dioxide washed out. Fewer or " \
          "smaller breaths before it, or a longer rest."
        end
      end

      def urge_too_late(protocol, dose)
        return unless protocol.waits_for_urge?(dose)

        compiled = protocol.compile(dose, @body.with(posture: protocol.posture))
        holds =
          Physiology::Model
            .new(@body.with(posture: protocol.posture), control_pause_s: @control_pause_s)
            .forecast(compiled.segments, before: compiled.before)
            .holds
        waiting =
          compiled
            .holds
            .zip(holds)
            .select { |place, _| place.segment.until == :cap && compiled.lungs_at(place) == :full }
            .map(&:last)
        unless waiting.all?(&:urge_within?)
          "On full lungs the urge would come only after the limit: give the hold a length."
        end
      end

      # Rungs may begin to hold on the way up.
      def holding?(protocol, dose) = protocol.holds_in?(dose)

      # Dry holds at rest on full lungs, no longer than what was shown: warned about, not cut.
      def shown?(protocol, dose)
        return false if @shown_s.nil?

        segments = protocol.compile(dose).segments
        [nil, *segments].each_cons(2)
          .select { |_, segment| segment.hold? }
          .all? { |before, hold| before&.to == :full && hold.mets <= Timeline::REST_METS && hold.seconds <= @shown_s }
      end

      # @return [Array(Float, Float, Float)] lowest saturation, strongest washout, and one that passes a limit, or nil
      def forecast(protocol, dose)
        return 1.0, 0.0, nil unless holding?(protocol, dose)

        remember(:forecast, protocol, dose) do
          subject = rested(protocol.posture)
          calibration = Physiology::Calibration.from(subject, control_pause_s: nil)
          compiled = protocol.compile(dose, subject.body)
          holds =
            Physiology::Simulation
              .new(subject, calibration: calibration, look_ahead: false)
              .run(compiled.segments, before: compiled.before)
              .holds
          over =
            compiled
              .holds
              .zip(holds)
              .filter_map do |place, hold|
                hold.co2_washout if protocol.washout_limit(place.segment)&.<=(hold.co2_washout)
              end
          [holds.map(&:sao2_min).min || 1.0, holds.map(&:co2_washout).max || 0.0, over.max]
        end
      end

      def rested(posture)
        @memo[[:rested, posture]] ||= Physiology::Subject.rested(@body.with(posture: posture))
      end

      # The oldest goes where there are too many: a long session is composed anew with every key.
      def remember(what, protocol, dose)
        @memo.fetch([what, protocol.id, dose]) do |key|
          @memo.shift if @memo.size >= MOST_KEPT
          @memo[key] = yield
        end
      end
    end
  end
end
