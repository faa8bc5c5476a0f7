# frozen_string_literal: true

module Windlass
  module Records
    # What is eased toward, or a day in the water; of a group or of one athlete.
    class Event < Record
      self.table_name = "events"
      belongs_to :group, optional: true
      belongs_to :athlete, optional: true

      WATER = "water"
      KINDS = {
        "competition" => "Competition",
        "swell" => "Swell",
        "concert" => "Concert",
        "test" => "Maximal hold",
        WATER => "In the water"
      }.freeze

      def water? = kind == WATER

      # @return [Programme::Event, Programme::Water]
      def to_core
        return Windlass::Programme::Water.new(date: local_date, at_min: at_min) if water?

        Windlass::Programme::Event.new(date: local_date, kind: kind.to_sym, at_min: at_min, name: name.presence)
      end

      def in_words =
        [name.presence || KINDS.fetch(kind), (format("%02d:%02d", *at_min.divmod(60)) if at_min)].compact.join(", ")
    end
  end
end
