# frozen_string_literal: true

module Windlass
  module Physiology
    # Moves a {State} forward in time: what blood takes from and gives to the lungs, and what tissue makes.
    # Second order (midpoint rule). Minutes inside, as the flows are a minute. Written flat where the time goes.
    class GasExchange
      # Venous oxygen content under which nobody lives, L per L.
      EMPTY_BLOOD = 0.01

      # At the state looked at last: pressures in the lungs (mmHg), saturation of the blood that leaves them (0..1).
      attr_reader :po2, :pco2, :saturation

      # Gas that came in through the mouth during the latest step, L/min BTPS (below zero: out).
      attr_reader :flow

      # Net gas that blood gave to the lungs, L/min BTPS: usually below zero, so that lungs shrink.
      attr_reader :net

      def initialize(body, state)
        @dry = body.dry_mmhg
        @btps = body.btps
        @capacity = body.oxygen_capacity
        @vo2 = body.vo2_l_min
        @cardiac = body.cardiac_output_l_min
        @venous_blood = body.venous_blood_l
        @fast = body.fast_tissue_l_mmhg
        @slow = body.slow_tissue_l_mmhg
        look_at(state)
      end

      # One midpoint step from the state looked at last, which is looked at anew where the step ends.
      # @param minutes [Float]
      # @param rate [Float, nil] litres a minute by which the lungs' volume moves; nil: closed, nothing flows
      # @param inflow [Air] the gas that comes in, if any does
      # @param thrift [Float] share of oxygen use, 1 unless holding
      # @param target [Float] metabolic rate that effort asks for, 1 at rest
      def step(state, minutes, rate, inflow, thrift, target)
        half = minutes / 2
        o2, co2, n2 = state.o2, state.co2, state.n2
        venous, fast, slow = state.venous_o2, state.fast_pco2, state.slow_pco2
        rates(o2, co2, n2, venous, state.metabolic_rate * thrift, rate, inflow)
        middle = effort(state.metabolic_rate, half, target)
        o2_middle, co2_middle, n2_middle = o2 + @d_o2 * half, co2 + @d_co2 * half, n2 + @d_n2 * half
        venous_middle = venous + @d_venous * half
        look(o2_middle, co2_middle, n2_middle, venous_middle, fast + @d_fast * half, slow + @d_slow * half,
          middle)
        rates(o2_middle, co2_middle, n2_middle, venous_middle, middle * thrift, rate, inflow)
        state.o2 = o2 + @d_o2 * minutes
        state.co2 = co2 + @d_co2 * minutes
        state.n2 = n2 + @d_n2 * minutes
        state.venous_o2 = venous + @d_venous * minutes
        state.fast_pco2 = fast + @d_fast * minutes
        state.slow_pco2 = slow + @d_slow * minutes
        state.metabolic_rate = effort(state.metabolic_rate, minutes, target)
        look_at(state)
      end

      # How long a step may be follows from this: the time constant of the faster of the lungs' two gases against the
      # blood, and that of filling or emptying while their volume moves at `rate` L/min. Minutes.
      def time_constant(rate)
        oxygen = (@po2 > 1.0) ? @capacity * @saturation * (1 - @saturation) * 3.0 / @po2 : 0.0
        carbon_dioxide = @carbon_dioxide_slope
        steeper = (oxygen > carbon_dioxide) ? oxygen : carbon_dioxide
        with_blood = @volume / (@blood * @btps * @dry * steeper)
        return with_blood if rate.nil? || rate.zero?

        moving = @volume / rate.abs
        (moving < with_blood) ? moving : with_blood
      end

      private

      def look_at(state)
        look(state.o2, state.co2, state.n2, state.venous_o2, state.fast_pco2, state.slow_pco2, state.metabolic_rate)
      end

      # What lungs, blood and tissue exchange at one point.
      def look(o2, co2, n2, venous, fast, slow, metabolic_rate)
        @volume = o2 + co2 + n2
        mmhg = @dry / @volume
        @po2 = po2 = o2 * mmhg
        @pco2 = pco2 = co2 * mmhg
        @saturation = saturation = Blood.saturation(po2, pco2)
        @blood = blood = blood_flow(metabolic_rate)
        venous_saturation = venous / @capacity
        venous_saturation = 1.0 if venous_saturation > 1.0
        venous_saturation = 0.0 if venous_saturation < 0.0
        arterial_co2 = Blood.co2_content(pco2, saturation)
        @carbon_dioxide_slope = 0.35 * arterial_co2 / pco2

        @uptake = blood * (@capacity * saturation + Blood::DISSOLVED_OXYGEN * po2 - venous)
        @from_fast = FAST_SHARE * blood * (Blood.co2_content(fast, venous_saturation) - arterial_co2)
        @from_slow = SLOW_SHARE * blood * (Blood.co2_content(slow, venous_saturation) - arterial_co2)
        @net = (@from_fast + @from_slow - @uptake) * @btps
      end

      # Rates of change a minute at the point looked at last. Where the blood is all but empty, use dies away with
      # it: long past consciousness, but the numbers stay numbers.
      def rates(o2, co2, n2, venous, use_rate, rate, inflow)
        use = @vo2 * use_rate
        use *= venous / EMPTY_BLOOD if venous < EMPTY_BLOOD
        made = RESPIRATORY_QUOTIENT * use
        @d_venous = (@uptake - use) / @venous_blood
        @d_fast = (FAST_SHARE * made - @from_fast) / @fast
        @d_slow = (SLOW_SHARE * made - @from_slow) / @slow
        @d_o2 = -@uptake * @btps
        @d_co2 = (@from_fast + @from_slow) * @btps
        @d_n2 = 0.0
        ventilate(o2, co2, n2, rate - @net, inflow) if rate
      end

      def ventilate(o2, co2, n2, flow, inflow)
        @flow = flow
        if flow > 0
          @d_o2 += flow * inflow.o2
          @d_co2 += flow * inflow.co2
          @d_n2 += flow * inflow.n2
        else
          share = flow / @volume
          @d_o2 += share * o2
          @d_co2 += share * co2
          @d_n2 += share * n2
        end
      end

      def effort(now, minutes, target)
        (now == target) ? now : target + (now - target) * Math.exp(-minutes * 60 / EFFORT_LAG_S)
      end

      def blood_flow(metabolic_rate)
        (metabolic_rate > 1.0) ? @cardiac + EXERTION_FLOW * @vo2 * (metabolic_rate - 1.0) : @cardiac
      end
    end
  end
end
