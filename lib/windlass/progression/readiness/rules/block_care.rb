# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      BlockCare =
        Rule.new(
          "block.care",
          :block,
          "a forecast hold falls under the planning floor, and nobody is named beside, or no oximeter is on (where " \
          "it is asked)",
          "until both are",
          place: 90
        ) do |situation|
          next unless situation.care && !situation.oximeter.nil?

          missing = [
            ("somebody beside" if situation.watcher.to_s.strip.empty?),
            ("an oximeter on" unless situation.oximeter)
          ].compact
          missing.any? &&
            {
              text: "A forecast hold falls under the planning floor: #{Words.list(missing)} first.",
              lifts: "Until that is so."
            }
        end
    end
  end
end
