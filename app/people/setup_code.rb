# frozen_string_literal: true

require "fileutils"

module Windlass
  # What proves that whoever opens a new house first may keep it: a code that the server prints, and that stands in a
  # file only its owner reads.
  module SetupCode
    FILE = File.join(Database::ROOT, "tmp/setup_code")

    # @return [String] the same until the house is set up
    def self.now
      return File.read(FILE).strip if File.exist?(FILE)

      FileUtils.mkdir_p(File.dirname(FILE))
      Array.new(3) { SecureRandom.alphanumeric(4).upcase }.join("-").tap { |code| File.write(FILE, code, perm: 0o600) }
    end

    # @return [Boolean] compared in the same time, whatever was typed
    def self.right?(typed) = Rack::Utils.secure_compare(now, typed.to_s.strip.upcase)

    def self.done = FileUtils.rm_f(FILE)
  end
end
