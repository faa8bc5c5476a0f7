# frozen_string_literal: true

module Windlass
  module CommandLine
    # `export [--athlete NUMBER]`: everything of the place, or of one athlete, as an archive.
    module Export
      NAME = "export"
      USAGE = "export [--athlete NUMBER]"
      OPTIONS = %w[athlete].freeze
      READS = false

      # @param options [Hash]
      # @param out [IO] gets the archive, part after part
      # @raise [InvalidInput]
      def self.write(options, out)
        Database.open_house
        account = Records::Account.first
        athlete =
          options["athlete"] &&
          (
            account.athletes.find_by(id: options["athlete"]) or
              raise InvalidInput, ["athlete: #{Error.shown(options["athlete"])} is not here"]
          )
        Archive::Writer.new(account, athlete: athlete).write { |text| out << text }
      end
    end
  end
end
