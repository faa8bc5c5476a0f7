# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatUneven =
        Rule.new(
          "repeat.uneven",
          :repeat,
          "more than half of the sounded exhales with the ribs dropped or a stream that flickered",
          place: 80
        ) do |evidence|
          uneven = evidence.uneven
          if evidence.mostly_uneven?
            "#{evidence.with_rounds(uneven, "exhale")} with the ribs dropped or the stream flickering."
          end
        end
    end
  end
end
