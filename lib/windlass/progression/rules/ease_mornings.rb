# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      EaseMornings =
        Rule.new(
          "ease.mornings",
          :ease,
          "over-breathing, and the morning control pauses after such days are lower than the others: six or more of " \
          "each in six weeks, the whole 95 % interval of the difference (Hodges-Lehmann) under zero",
          looks_at: :past,
          place: 70
        ) do |record|
          mornings = record.mornings_after
          mornings.in_words if mornings&.lower?
        end
    end
  end
end
