# frozen_string_literal: true

module Windlass
  module Records
    # Athletes who share times of the week.
    class Group < Record
      self.table_name = "groups"
      belongs_to :account
      has_many :members
      has_many :athletes, -> { active.by_name }, through: :members
      has_many :slots, -> { in_order }, dependent: :destroy
      has_many :events, -> { order(:local_date, :id) }
      has_many :programmes
      has_one :feed

      scope :by_name, -> { order(Arel.sql("lower(name)"), :id) }
    end

    # Who is in a group.
    class Member < Record
      self.table_name = "members"
      belongs_to :group
      belongs_to :athlete
    end

    # A time of the week, of a group or of one athlete.
    class Slot < Record
      self.table_name = "slots"
      belongs_to :group, optional: true
      belongs_to :athlete, optional: true

      scope :in_order, -> { order(:day, :at_min, :id) }

      # @return [Programme::Slot]
      def to_core = Windlass::Programme::Slot.new(day: day, at_min: at_min, minutes: minutes, place: place.presence)
    end

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

    # Days on which somebody does not train.
    class Absence < Record
      self.table_name = "absences"
      belongs_to :athlete

      # @return [Programme::Absence]
      def to_core = Windlass::Programme::Absence.new(from: from_on, to: to_on)
    end

    # A secret address under which a calendar reads a programme.
    class Feed < Record
      self.table_name = "feeds"
      belongs_to :group, optional: true
      belongs_to :athlete, optional: true
    end
  end
end
