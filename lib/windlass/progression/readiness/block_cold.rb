# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      COLD_HOURS = 1

      BlockCold = Rule.new("block.cold", :block,
        "cold and breath holding less than an hour apart", "until the hour is over") do |situation|
        cold = situation.activity.column == :cold
        next unless cold || situation.holds?

        past = situation.newest { |one| one.ran? && ((one.activity.column == :cold) != cold) && (cold ? one.activity.holds? : true) && situation.hours_since(one) < COLD_HOURS }
        past && {text: "#{past.activity.name} less than an hour ago: cold and holds are never combined.", lifts: "Open #{situation.lifted(past, COLD_HOURS)}."}
      end
    end
  end
end
