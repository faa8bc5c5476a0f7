# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatShort =
        Rule.new(
          "repeat.short",
          :repeat,
          "a hold or a sounded exhale under 90 % of its target, but fewer than would ease",
          place: 40
        ) do |evidence|
          short = evidence.short
          if short.any? && !evidence.many?(short)
            "#{evidence.with_rounds(short, evidence.part)} under 90 % of the target."
          end
        end
    end
  end
end
