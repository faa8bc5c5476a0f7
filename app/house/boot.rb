# frozen_string_literal: true

module Windlass
  # A server begins: everything is loaded, and the house is open.
  module Boot
    LOST =
      "Some of what lies encrypted in this house can not be read: its key is missing (docs/operating.md, The key). " \
      "What can not be read counts as not answered, and is kept as it is."

    # @param place [String] a file, or the address of a database on PostgreSQL
    # @raise [Error] where somebody restores it just now
    def self.up(place = Database.default_path)
      take(place) if Database.file?(place)
      # First: what signs people in asks the database which kind it is.
      Database.connect(place)
      ROOMS.eager_load
      LOADER.eager_load(force: true)
      return unless Database.tables?

      Erased.apply(place)
      warn LOST if Records::Sealed.lost?
    end

    # Nobody puts another file in its place meanwhile. What a restore that was killed left is said.
    def self.take(place)
      Occupied.hold(place)
      Backup.interrupted(place)&.then { |words| warn words }
    end
    private_class_method :take
  end
end
