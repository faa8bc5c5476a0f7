# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      EaseSaturation =
        Rule.new(
          "ease.saturation",
          :ease,
          "an oximeter low under 75 %, or under the planning floor after over-breathing (by the protocol, or by 3 " \
          "mmHg washed out)",
          place: 50
        ) do |evidence|
          low = evidence.low_saturations
          "Oximeter down to #{(low.map(&:sao2_low).min * 100).round} %: #{evidence.where(low)}." if low.any?
        end
    end
  end
end
