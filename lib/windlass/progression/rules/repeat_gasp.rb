# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatGasp =
        Rule.new("repeat.gasp", :repeat, "a gasp, but fewer than would ease", place: 30) do |evidence|
          gasps = evidence.gasps
          "#{evidence.with_rounds(gasps, "gasp")}." if gasps.any? && !evidence.many?(gasps)
        end
    end
  end
end
