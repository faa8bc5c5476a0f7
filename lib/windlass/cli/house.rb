# frozen_string_literal: true

module Windlass
  module Cli
    # The database, for the commands that need it; the others load without it.
    module House
      # Connects to what WINDLASS_DB names, or the usual one, with its tables up to date.
      def self.open
        require_relative "../../../app/archive"
        Database.connect(Database.default_path)
        Database.migrate
      end
    end
  end
end
