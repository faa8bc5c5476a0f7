# frozen_string_literal: true

module Windlass
  module Protocols
    # F15, three zones in one breath, the back among them. Common practice, no source.
    class ZoneDrill < Protocol
      extend Drill

      about id: "zone-drill",
        name: "Three-zone drill",
        known_as: "three-part complete yogic full",
        also: "dirgha",
        place: 50,
        trains: "One breath through three zones: belly, ribs, and the back that widens.",
        cautions: ["The order matters more than the size. Lose one zone: go back to the belly drill."],
        **Drill::FACTS

      drills(
        {
          "three" => [
            "In by the nose: belly, then ribs, then the back widens",
            "Out: chest, ribs, belly",
            "belly, ribs, back"
          ],
          "back" => ["In by the nose: into the back, it widens", "Out: the back narrows, let it", "back"]
        },
        {"three" => "belly, ribs and back", "back" => "the back alone"}
      )
    end
  end
end
