# frozen_string_literal: true

module Windlass
  module Programme
    module Rules
      SlotPlace =
        Rule.new(
          "slot.place",
          "the slot's place is none where the protocol is done",
          "it is planned in another slot",
          place: 70
        ) do |placing|
          slot = placing.berth.slot
          unless slot.takes?(placing.training.places)
            "It asks for: #{placing.training.places.map { |place| Protocols::PLACES.fetch(place) }.join(", or ")}. " \
            "This slot is: #{Protocols::PLACES.fetch(slot.place.to_sym)}."
          end
        end
    end
  end
end
