# frozen_string_literal: true

module Windlass
  module Presenters
    # The figures of a recipe that was tried on the bench, in words.
    module BenchFigures
      SECONDS = ->(seconds) { seconds.nil? ? "not reached" : Words.seconds(seconds) }
      OVER_BREATHED =
        lambda do |hold|
          next unless hold.over_breathed?

          hold.strongly_over_breathed? ? ", strongly over-breathed" : ", over-breathed"
        end
      LITRES = ->(litres) { "#{litres.round(1)} L, #{(litres * Physiology::Hydrostatics.volume_share(10)).round(1)} L" }
      PRESSURE = ->(mmhg) { "#{mmhg.round} mmHg" }
      # What, and the figure of a {Bench::Tried}.
      ALL = {
        "First urge" => ->(one) { one.threshold ? SECONDS[one.hold.urge_s] : "not calibrated" },
        "Oxygen floor" => ->(one) { SECONDS[one.hold.floor_s] },
        "Margin" => ->(one) do
          one.hold.margin_s ? "#{one.hold.margin}, #{format("%+d", one.hold.margin_s.round)} s" : "–"
        end,
        "Lowest saturation in the hold" => ->(one) { "#{(one.hold.sao2_min * 100).round} %" },
        "Carbon dioxide, start and end" => ->(one) { "#{one.hold.pco2_start.round} to #{PRESSURE[one.hold.pco2_end]}" },
        "Oxygen, start and end" => ->(one) { "#{one.hold.po2_start.round} to #{PRESSURE[one.hold.po2_end]}" },
        "Carbon dioxide washed out" => ->(one) do
          "#{format("%.1f", one.hold.co2_washout)} mmHg#{OVER_BREATHED[one.hold]}"
        end,
        "Lungs held, and at 10 m of sea water" => ->(one) { LITRES[one.trace.at(one.hold.start_s).volume] },
        "Cap" => ->(one) { one.cap_s ? "#{Words.seconds(one.cap_s.floor)}, do not aim for it" : "–" }
      }.freeze
      private_constant :SECONDS, :OVER_BREATHED, :LITRES, :PRESSURE
    end
  end
end
