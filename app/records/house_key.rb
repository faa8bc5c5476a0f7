# frozen_string_literal: true

require "active_record"
require "base64"

module Windlass
  module Records
    # What opens the columns that lie encrypted in the house ({Sealed}): a file beside the database that only its
    # owner reads. One key a line; the last one seals, all of them open. A copy of the database without it says nothing
    # of anybody's health.
    module HouseKey
      BYTES = 32
      Key = ActiveRecord::Encryption::Key

      class << self
        # @return [String] WINDLASS_KEY_FILE, otherwise beside the file of the house; in db/ for a house on a server
        def file(place = Database.place)
          ENV.fetch("WINDLASS_KEY_FILE") do
            Database.file?(place) ? "#{place}.key" : File.join(Database::ROOT, "db/house.key")
          end
        end

        # What Active Record asks of a provider of keys.
        # @return [ActiveRecord::Encryption::Key] that seals; made where there is none yet
        def encryption_key = (keys.any? ? keys : made).last

        # @return [Array<ActiveRecord::Encryption::Key>] that may open it
        def decryption_keys(_message) = keys

        # Brings the keys that came with a copy; what is here already stays.
        # @param from [String] a key file
        # @param to [String] the house's key file
        def bring(from, to)
          there = File.exist?(to) ? File.readlines(to, chomp: true) : []
          fresh = File.readlines(from, chomp: true) - there
          # First: what is sealed from now on is sealed as before.
          written(to, [*fresh, *there]) if fresh.any?
        end

        # @return [Integer] how often keys were read: another number, other keys
        def read = keys && @read

        # It is read anew: the file has changed.
        def forget = @path = nil

        private

        def keys
          path = file
          return @keys if @path == path && @keys.any?

          @path = path
          @read = @read.to_i + 1
          @keys = (File.exist?(path) ? File.readlines(path, chomp: true) : []).map do |line|
            Key.new(Base64.strict_decode64(line))
          rescue ArgumentError
            raise Error, "#{path}: a line is no key. Put back the file as it was."
          end
        end

        # Two servers that begin together make one.
        def made
          File.open(file, File::WRONLY | File::CREAT | File::EXCL, 0o600) do |made|
            made.puts(Base64.strict_encode64(SecureRandom.bytes(BYTES)))
            made.fsync
          end
          keys
        rescue Errno::EEXIST
          sleep 0.01 until keys.any?
          keys
        end

        def written(path, lines)
          File.open("#{path}.part", File::WRONLY | File::CREAT | File::TRUNC, 0o600) do |part|
            part.puts(lines)
            part.fsync
          end
          File.rename("#{path}.part", path)
        end
      end
    end
  end
end
