# frozen_string_literal: true

module Windlass
  # A server begins: everything is loaded, and the house is open.
  module Boot
    # @param place [String] a file, or the address of a database on PostgreSQL
    # @raise [Error] where somebody restores it just now
    def self.up(place = Database.default_path)
      take(place) if Database.file?(place)
      # First: what signs people in asks the database which kind it is.
      Database.connect(place)
      ROOMS.eager_load
      LOADER.eager_load(force: true)
      Erased.apply(place) if Database.tables?
    end

    # Nobody puts another file in its place meanwhile. What a restore that was killed left is said.
    def self.take(place)
      Occupied.hold(place)
      Backup.interrupted(place)&.then { |words| warn words }
    end
    private_class_method :take
  end
end
