# frozen_string_literal: true

module Windlass
  module Programme
    # A time of the week at which there is room to train. day: 1 Monday to 7 Sunday; at_min: minutes of the day; place:
    # one of {Protocols::PLACES}, or any other name, where everything dry may be done.
    Slot =
      Value.define(:day, :at_min, :minutes, place: nil) do
        # @return [String] `07:00`
        def at = format("%02d:%02d", *at_min.divmod(60))

        # @param protocol [#places]
        def takes?(places) = place.nil? || !Protocols::PLACES.key?(place.to_sym) || places.include?(place.to_sym)
      end
  end
end
