# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatUnfinished =
        Rule.new(
          "repeat.unfinished",
          :repeat,
          "fewer rounds or minutes than the dose, a hold left out, or effort, held time or a first breath that is " \
          "asked for missing",
          place: 20
        ) do |evidence|
          missing = evidence.missing
          "Not the whole dose: #{Words.list(missing)}." if missing.any?
        end
    end
  end
end
