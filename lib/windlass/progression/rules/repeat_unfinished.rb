# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatUnfinished = Rule.new("repeat.unfinished", :repeat,
        "fewer rounds than the dose, a skipped hold, or effort, held time or first breath missing") do |record|
        missing = record.evidence.missing
        "Not the whole dose: #{Words.list(missing)}." if missing.any?
      end
    end
  end
end
