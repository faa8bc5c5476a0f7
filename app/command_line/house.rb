# frozen_string_literal: true

module Windlass
  module CommandLine
    # The database, for the commands that need it; the others load without it.
    module House
      # Connects to the house of bin/start, or what WINDLASS_DB or DATABASE_URL names, with its tables up to date.
      def self.open
        require_relative "../archive"
        Database.connect(Database.house_path)
        Database.migrate
      end
    end
  end
end
