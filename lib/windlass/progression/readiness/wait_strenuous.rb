# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      STRENUOUS_HOURS = 48
      WaitStrenuous = Rule.new("wait.strenuous", :wait,
        "today's session is strenuous and another strenuous one ended less than 48 hours ago", "until then") do |situation|
        past = situation.activity.strenuous? && situation.newest { |one| one.counts? && one.strenuous? && situation.hours_since(one) < STRENUOUS_HOURS }
        past && {text: "#{past.activity.name} was less than #{STRENUOUS_HOURS} hours ago.", lifts: "Ready #{situation.lifted(past, STRENUOUS_HOURS)}."}
      end
    end
  end
end
