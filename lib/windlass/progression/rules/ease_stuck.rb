# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      EaseStuck =
        Rule.new(
          "ease.stuck",
          :ease,
          "the third session running on this rung with a gasp, a short hold or effort 8 or more",
          looks_at: :past,
          place: 60
        ) do |record|
          "The third session running on this rung with a gasp, a short hold or hard effort." if record.stuck?
        end
    end
  end
end
