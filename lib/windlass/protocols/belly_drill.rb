# frozen_string_literal: true

module Windlass
  module Protocols
    # F15, the belly found, and told from the chest. Common practice, no source.
    class BellyDrill < Protocol
      extend Drill

      about id: "belly-drill",
        name: "Belly drill",
        known_as: "abdominal diaphragm diaphragmatic low",
        place: 40,
        trains: "One zone at a time: the belly moves and the chest is kept, or the other way round.",
        cautions: [
          "Small and easy: a breath that has to be forced has lost the zone. Face down the floor helps to feel it."
        ],
        **Drill::FACTS

      drills(
        {
          "belly" => ["In by the nose: the belly rises, the chest stays", "Out: the belly sinks, let it", "belly"],
          "chest" => ["In by the nose: the chest opens, the belly stays", "Out: the chest sinks, let it", "chest"]
        },
        {"belly" => "the belly, the chest kept", "chest" => "the chest alone"}
      )
    end
  end
end
