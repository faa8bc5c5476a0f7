# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      BlockBuddy =
        Rule.new(
          "block.buddy",
          :block,
          "water, a maximal test or an oxygen table without a named watcher present",
          "until one is named",
          place: 80
        ) do |situation|
          if situation.activity.watched? && situation.watcher.to_s.strip.empty?
            {text: "Nobody is named who watches.", lifts: "Until somebody is named."}
          end
        end
    end
  end
end
