# frozen_string_literal: true

module Windlass
  module Physiology
    # A short preparation and one hold, to try on the bench. Seconds; lungs is the level that is held.
    # @param effort [Symbol] a key of {Effort::METS}
    # @param deep_breaths [Integer] full breaths, in to big and out to passive
    # @param lungs [Symbol] a lung level
    Recipe =
      Value.define(
        quiet_s: 60, effort: :none, effort_s: 60, breathe_up_s: 0, deep_breaths: 0, lungs: :passive, hold_s: 40
      ) do
        # @param hold_s [Numeric] another length of the hold than its own
        # @return [Timeline::Compiled] ends with the hold
        def compile(hold_s: self.hold_s)
          Timeline::Compiler.compile do |line|
            prepare(line)
            fill(line)
            line.hold(hold_s, phase: :work, cue: "Hold")
          end
        end

        private

        def prepare(line)
          unless effort == :none
            line.breathe(effort_s, rate: Effort::RATES.fetch(effort), mets: Effort::METS.fetch(effort))
          end
          line.breathe(quiet_s) if quiet_s > 0
          (breathe_up_s / 9.0).round.times { breath(line, 3, :easy, 6) }
          deep_breaths.times { breath(line, 1.6, :big, 1.6) }
        end

        def breath(line, in_s, level, out_s)
          line.inhale(in_s, to: level)
          line.exhale(out_s, to: :passive)
        end

        # Natural breathing and every breath of a recipe end at the passive level.
        def fill(line)
          return if lungs == :passive

          (lungs == :residual) ? line.exhale(4, to: :residual) : line.inhale(4, to: lungs)
        end
      end
  end
end
