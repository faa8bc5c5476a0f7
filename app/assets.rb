# frozen_string_literal: true

require "digest"
require "rack"

module Windlass
  # Styles, scripts and fonts under an address that changes when any of them does, so that browsers may keep them for
  # good. Scripts import one another by relative paths, which stay right because the digest is a folder.
  module Assets
    FOLDER = File.expand_path("public", __dir__)
    DIGEST =
      Dir[File.join(FOLDER, "**/*")]
        .select { |path| File.file?(path) }
        .sort
        .each_with_object(Digest::SHA256.new) do |path, digest|
          digest << path.delete_prefix(FOLDER) << File.binread(path)
        end
        .hexdigest[
          0,
          12
      ].freeze
    PREFIX = "/assets/#{DIGEST}"
    HEADERS = {"cache-control" => "public, max-age=31536000, immutable", "x-content-type-options" => "nosniff"}.freeze

    # @param path [String] below app/public
    # @return [String] address
    def self.path(path) = "#{PREFIX}/#{path}"

    # @return [Array<String>] addresses of all there are
    def self.parts
      @parts ||=
        Dir[File.join(FOLDER, "**/*")]
          .select { |file| File.file?(file) && !file.include?("/licences/") && !further_voice?(file) }
          .sort
          .map { |file| path(file.delete_prefix("#{FOLDER}/")) }
          .freeze
    end

    # Whoever likes another voice takes along what a session needs of it.
    def self.further_voice?(file) = file.match?(%r{/voice/[^/]+/})
    private_class_method :further_voice?

    # @return [#call] a Rack application for everything below {PREFIX}
    def self.files = Rack::Files.new(FOLDER, HEADERS)
  end
end
