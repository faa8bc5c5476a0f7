# frozen_string_literal: true

module Windlass
  module Physiology
    # A simulated person who breathes, moves gas and holds. Time runs only forward, from 0 at the end of the lead-in.
    # Mutable; a simulation owns it. `dup` gives an independent twin.
    class Subject
      # No step is longer, however slowly things change: crossings are looked for between steps.
      LONGEST_STEP_S = 3.0
      # A step never takes more than this share of the lungs' own time constant.
      STEP_SHARE = 0.2
      # Less than this is no time at all.
      INSTANT_S = 1e-9

      attr_reader :body, :elapsed_s

      # What lungs, blood and tissue hold now.
      # @return [GasExchange]
      attr_reader :exchange

      # Bodies that settled already: that takes longer than most sessions. Thrift is of holds and has no part in it.
      RESTED = BoundedCache.new(200)

      # A settled body: fifteen minutes of quiet breathing behind it, the clock at 0.
      # @return [Subject]
      def self.rested(body, step_scale: 1.0)
        plain = body.with(thrift: 1.0)
        RESTED.fetch([plain, step_scale]) { new(plain, step_scale: step_scale).tap(&:settle) }.twin_as(body)
      end

      # @param state [State] where it begins
      # @param step_scale [Float] makes every step so much shorter
      def initialize(body, state: State.balanced(body), step_scale: 1.0)
        @body = body
        @step_scale = step_scale
        @exchange = GasExchange.new(body, state)
        @dead_space = DeadSpace.new(body.dead_space_l, @exchange)
        @breathing = NaturalBreathing.new(body)
        @elapsed_s = 0.0
      end

      def initialize_copy(other)
        super
        @dead_space = @dead_space.dup
        @exchange = @exchange.dup
        @breathing = @breathing.dup
      end

      # @param body [Body] the same but for its thrift
      # @return [Subject]
      def twin_as(body) = dup.tap { |twin| twin.body = body }

      def settle
        breathe(LEAD_IN_S, RESTING_RATE)
        rewind
      end

      # Time begins anew.
      def rewind
        @breathing.rewind(@elapsed_s)
        @elapsed_s = 0.0
      end

      # @param recorder [#see, nil] is shown the subject after every step
      attr_writer :recorder

      def po2 = @exchange.po2

      def pco2 = @exchange.pco2

      def saturation = @exchange.saturation

      def volume = @exchange.volume

      # The drive that is felt as the wish to breathe: carbon dioxide, and a little of low oxygen. mmHg.
      def self.urge_stimulus(po2, pco2)
        low = 100.0 - po2
        (low > 0) ? pco2 + 0.10 * low : pco2
      end

      def urge_stimulus = self.class.urge_stimulus(po2, pco2)

      # Whole natural breaths, as many as fit best.
      # @param rate [Float] breaths a minute
      def breathe(seconds, rate, mets = 1.0)
        breaths = [(seconds * rate / 60.0 + 0.5).floor, 1].max
        cycle = seconds.to_f / breaths
        passive = @body.frc_l
        breaths.times do
          depth = @breathing.next_breath_l(@elapsed_s, pco2, @exchange.metabolic_rate, 60.0 / cycle)
          move(cycle * NaturalBreathing::INHALE_SHARE, passive + depth, mets)
          move(cycle * (1 - NaturalBreathing::INHALE_SHARE), passive, mets)
        end
      end

      # The lungs' volume runs on a straight line to a level.
      # @param litres [Float] volume at the end
      # @param air [Air] what is breathed in after the airways' own gas
      def move(seconds, litres, mets = 1.0, air: FRESH_AIR)
        rate = (litres - volume) * 60.0 / seconds
        left = seconds - draw_dead_space(seconds.to_f, rate, mets)
        flowed = run(left, rate, air, mets)
        @dead_space.fill(@exchange, -flowed) if flowed < 0
      end

      # Closed lungs: only the blood takes and gives.
      def hold(seconds, mets = 1.0)
        left = seconds.to_f
        left -= hold_step(left, mets) while left > INSTANT_S
      end

      # One step of a hold, as long as it may be.
      # @return [Float] seconds it took
      def hold_step(left, mets = 1.0)
        step(next_step(left, nil), nil, nil, @body.thrift, mets)
      end

      protected

      attr_writer :body

      private

      # @return [Float] seconds that the airways' gas took to come back
      def draw_dead_space(seconds, rate, mets)
        flow = rate - @exchange.net
        # Whether air comes in is not the level's to say alone: blood takes and gives gas meanwhile.
        return 0.0 if @dead_space.empty? || flow <= 0

        duration = [@dead_space.volume / flow * 60.0, seconds].min
        @dead_space.draw(run(duration, rate, @dead_space.air, mets))
        duration
      end

      # @return [Float] litres that flowed in (below zero: out)
      def run(seconds, rate, air, mets)
        flowed = 0.0
        left = seconds
        while left > INSTANT_S
          taken = step(next_step(left, rate), rate, air, 1.0, mets)
          flowed += @exchange.flow * taken / 60.0
          left -= taken
        end
        flowed
      end

      def step(seconds, rate, air, thrift, mets)
        @exchange.step(seconds / 60.0, rate, air, thrift, mets)
        @elapsed_s += seconds
        @recorder&.see(self)
        seconds
      end

      # Even steps, each no longer than it may be.
      def next_step(left, rate)
        own = STEP_SHARE * 60.0 * @exchange.time_constant(rate)
        longest = ((own < LONGEST_STEP_S) ? own : LONGEST_STEP_S) * @step_scale
        (left <= longest) ? left : left / (left / longest).ceil
      end
    end
  end
end
