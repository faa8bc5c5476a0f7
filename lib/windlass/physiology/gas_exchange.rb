# frozen_string_literal: true

module Windlass
  module Physiology
    # Lungs, blood and tissue on their way through time: what blood takes from and gives to the lungs, and what tissue
    # makes. Mutable, and private to a simulation. Second order (midpoint rule); minutes inside, as the flows are.
    #
    # This is where the time goes, so it is written flat: what it knows stands in its own variables, and constants are
    # multiplied out beforehand.
    class GasExchange
      # Venous oxygen content under which nobody lives, L per L.
      EMPTY_BLOOD = 0.01

      # Where physiology has long ended: no amount, content or pressure is less, so that numbers stay numbers.
      LEAST = 1e-6

      # Lung gas, litres BTPS (dry).
      attr_reader :o2, :co2, :n2

      # Venous oxygen content, L per L; tissue pressures, mmHg; metabolic rate, 1 at rest.
      attr_reader :venous_o2, :fast_pco2, :slow_pco2, :metabolic_rate

      # Lung gas in all, litres; its pressures, mmHg; saturation of the blood that leaves the lungs, 0..1.
      attr_reader :volume, :po2, :pco2, :saturation

      # Gas that came in through the mouth during the latest step, L/min BTPS (below zero: out).
      attr_reader :flow

      # Net gas that blood gives to the lungs, L/min BTPS: usually below zero, so that lungs shrink.
      attr_reader :net

      # @param body [Body]
      # @param state [State] where it begins
      def initialize(body, state)
        take_constants(body)
        @o2, @co2, @n2 = state.o2, state.co2, state.n2
        @venous_o2 = state.venous_o2
        @fast_pco2 = @slow_pco2 = state.tissue_pco2
        @metabolic_rate = 1.0
        @blood = @cardiac
        look_at_all
      end

      # One midpoint step.
      # @param minutes [Float]
      # @param rate [Float, nil] litres a minute by which the lungs' volume moves; nil: closed, nothing flows
      # @param inflow [Air] the gas that comes in, if any does
      # @param thrift [Float] share of oxygen use, 1 unless holding
      # @param target [Float] metabolic rate that effort asks for, 1 at rest
      def step(minutes, rate, inflow, thrift, target)
        half = minutes / 2
        o2, co2, n2, venous, fast, slow = @o2, @co2, @n2, @venous_o2, @fast_pco2, @slow_pco2
        rates(o2, co2, n2, venous, @metabolic_rate * thrift, rate, inflow)
        working = @metabolic_rate != target
        work(half, target) if working
        n2_middle = n2 + @d_n2 * half
        o2_middle = LEAST if (o2_middle = o2 + @d_o2 * half) < LEAST
        co2_middle = LEAST if (co2_middle = co2 + @d_co2 * half) < LEAST
        venous_middle = LEAST if (venous_middle = venous + @d_venous * half) < LEAST
        look(
          o2_middle,
          co2_middle,
          n2_middle,
          venous_middle,
          @fast_co2 * nudge(@d_fast * half / fast),
          @slow_co2 * nudge(@d_slow * half / slow)
        )
        rates(o2_middle, co2_middle, n2_middle, venous_middle, @metabolic_rate * thrift, rate, inflow)
        @o2 = LEAST if (@o2 = o2 + @d_o2 * minutes) < LEAST
        @co2 = LEAST if (@co2 = co2 + @d_co2 * minutes) < LEAST
        @n2 = n2 + @d_n2 * minutes
        @venous_o2 = LEAST if (@venous_o2 = venous + @d_venous * minutes) < LEAST
        @fast_pco2 = LEAST if (@fast_pco2 = fast + @d_fast * minutes) < LEAST
        @slow_pco2 = LEAST if (@slow_pco2 = slow + @d_slow * minutes) < LEAST
        work(half, target) if working
        look_at_all
      end

      # How long a step may be follows from this: the time constant of the faster of the lungs' two gases against the
      # blood, and that of filling or emptying while their volume moves at `rate` L/min. Minutes.
      def time_constant(rate)
        oxygen = (@po2 > 1.0) ? @oxygen_slope * @saturation * (1 - @saturation) / @po2 : 0.0
        carbon_dioxide = @carbon_dioxide_slope
        with_blood = @volume / (@blood * @btps_dry * ((oxygen > carbon_dioxide) ? oxygen : carbon_dioxide))
        return with_blood if rate.nil? || rate.zero?

        moving = @volume / rate.abs
        (moving < with_blood) ? moving : with_blood
      end

      private

      def take_constants(body)
        @dry = body.dry_mmhg
        @btps = body.btps
        @btps_dry = @btps * @dry
        @capacity = body.haemoglobin_capacity
        @oxygen_slope = 3.0 * @capacity
        @vo2 = body.vo2_l_min
        @cardiac = body.cardiac_output_l_min
        @venous_blood = body.venous_blood_l
        @fast = body.fast_tissue_l_mmhg
        @slow = body.slow_tissue_l_mmhg
        @fast_made = FAST_SHARE * RESPIRATORY_QUOTIENT
        @slow_made = SLOW_SHARE * RESPIRATORY_QUOTIENT
        @net = @flow = 0.0
      end

      def look_at_all
        @fast_co2 = Blood.co2_of_pressure(@fast_pco2)
        @slow_co2 = Blood.co2_of_pressure(@slow_pco2)
        look(@o2, @co2, @n2, @venous_o2, @fast_co2, @slow_co2)
      end

      # What a share of change in a tissue's pressure does to its content, to first order: within half a step tissue
      # moves by a thousandth, and a power costs as much as ten products.
      def nudge(share) = 1.0 + Blood::CO2_EXPONENT * share

      # What lungs, blood and tissue exchange at one point, L/min BTPS.
      # @param fast_co2 [Float] content of fast tissue without the Haldane part, L per L; slow_co2 likewise
      def look(o2, co2, n2, venous, fast_co2, slow_co2)
        @volume = volume = o2 + co2 + n2
        mmhg = @dry / volume
        @po2 = po2 = o2 * mmhg
        @pco2 = pco2 = co2 * mmhg
        @saturation = saturation = Blood.saturation(po2, pco2)
        venous_saturation = venous / @capacity
        venous_saturation = 1.0 if venous_saturation > 1.0
        arterial_co2 = Blood.co2_of_pressure(pco2)
        @carbon_dioxide_slope = Blood::CO2_EXPONENT * arterial_co2 / pco2
        gradient = Blood.haldane(venous_saturation) - Blood.haldane(saturation) - arterial_co2

        blood = @blood
        @uptake = uptake = blood * (@capacity * saturation + Blood::DISSOLVED_OXYGEN * po2 - venous)
        @from_fast = from_fast = FAST_SHARE * blood * (fast_co2 + gradient)
        @from_slow = from_slow = SLOW_SHARE * blood * (slow_co2 + gradient)
        @net_o2 = net_o2 = -uptake * @btps
        @net_co2 = net_co2 = (from_fast + from_slow) * @btps
        @net = net_o2 + net_co2
      end

      # Rates of change a minute at the point looked at last. Where the blood is all but empty, use dies away with it:
      # long past consciousness, but the numbers stay numbers.
      def rates(o2, co2, n2, venous, use_rate, rate, inflow)
        use = @vo2 * use_rate
        use *= venous / EMPTY_BLOOD if venous < EMPTY_BLOOD
        @d_venous = (@uptake - use) / @venous_blood
        @d_fast = (use * @fast_made - @from_fast) / @fast
        @d_slow = (use * @slow_made - @from_slow) / @slow
        if rate.nil?
          @d_o2 = @net_o2
          @d_co2 = @net_co2
          @d_n2 = 0.0
        elsif (@flow = flow = rate - @net) > 0
          @d_o2 = @net_o2 + flow * inflow.o2
          @d_co2 = @net_co2 + flow * inflow.co2
          @d_n2 = flow * inflow.n2
        else
          share = flow / @volume
          @d_o2 = @net_o2 + share * o2
          @d_co2 = @net_co2 + share * co2
          @d_n2 = share * n2
        end
      end

      # The metabolic rate follows effort, and the heart follows it.
      def work(minutes, target)
        @metabolic_rate = target + (@metabolic_rate - target) * Math.exp(-minutes * 60 / EFFORT_LAG_S)
        extra = @metabolic_rate - 1.0
        @blood = (extra > 0) ? @cardiac + EXERTION_FLOW * @vo2 * extra : @cardiac
      end
    end
  end
end
