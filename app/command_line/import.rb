# frozen_string_literal: true

module Windlass
  module CommandLine
    # `import [FILE]`: an archive into the house: all of it, or nothing.
    module Import
      NAME = "import"
      USAGE = "import [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] an archive
      # @return [Hash] athletes that were read
      # @raise [InvalidInput]
      def self.call(text, _options)
        Database.open_house
        {athletes: Archive::Reader.new(Records::Account.first).read(text)}
      end
    end
  end
end
