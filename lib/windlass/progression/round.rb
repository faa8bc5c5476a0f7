# frozen_string_literal: true

module Windlass
  module Progression
    # One judged part as it was done: a hold, or in voice work a sounded exhale. target_s is nil where a hold ends at
    # the urge, at comfort or at a cap.
    # @param number [Integer] within its set
    # @param set [Integer, nil] which of the day's sets, where there are several
    # @param first_breath [Symbol, nil] :smooth, :deeper or :gasp; nil: not noted
    # @param sao2_low [Float, nil] lowest oximeter reading, 0..1
    # @param block [Protocols::Blocks::Block, nil] that it belongs to, where there are several
    # @param ribs [Symbol, nil] of a sounded exhale, one of {RIBS}; nil: not noted
    # @param stream [Symbol, nil] of a sounded exhale, one of {STREAMS}; nil: not noted
    # @param unmarked [Boolean] it ended by the clock where the hand was to say when: held_s is what was planned
    Round =
      Value.define(
        :number, :held_s, set: nil, target_s: nil, skipped: false, first_breath: nil, sao2_low: nil, ribs: nil,
        stream: nil, block: nil, unmarked: false
      ) do
        def held? = !skipped && !held_s.nil? && held_s > 0

        # Nothing of it was done, though it was come to.
        def left_out? = skipped || (!held_s.nil? && held_s.zero?)

        def short? = against_target { |target| held_s < 0.9 * target }

        def over? = against_target { |target| held_s > 1.1 * target }

        # A sounded exhale whose ribs fell in, or whose stream was not even.
        def uneven? = ribs == :dropped || stream == :flickering

        private

        def against_target = !target_s.nil? && !unmarked && !held_s.nil? && !skipped && yield(target_s)
      end
  end
end
