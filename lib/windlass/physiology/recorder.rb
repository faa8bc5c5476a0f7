# frozen_string_literal: true

module Windlass
  module Physiology
    # Fills a trace while a subject moves.
    class Recorder
      def initialize(subject)
        @samples = []
        @dry_mmhg = subject.body.dry_mmhg
        see(subject)
        subject.recorder = self
      end

      def trace = Trace.new(@samples, @dry_mmhg)

      def see(subject)
        gas = subject.exchange
        @samples << Trace::Sample.new(subject.elapsed_s, gas.o2, gas.co2, gas.n2)
      end
    end
  end
end
