# frozen_string_literal: true

require "digest"
require "rack"
require "zlib"

module Windlass
  # Styles, scripts, fonts and spoken words under an address that changes when any of them does, so that browsers may
  # keep them for good. Scripts import one another by relative paths, which stay right because the digest is a folder.
  module Assets
    ROOT = File.join(Database::ROOT, "app")
    VOICE = Spoken::Clips::FOLDER
    # What every page shares comes first, then each room's, then what the themes change of both.
    STYLES = [
      *Dir["#{ROOT}/shared/styles/*.css"].sort,
      *(Dir["#{ROOT}/*/styles/*.css"] - Dir["#{ROOT}/shared/styles/*.css"]).sort,
      *Dir["#{ROOT}/shared/styles/themes/*.css"].sort
    ].freeze
    # One sheet for all pages: a browser fetches it once.
    SHEET = STYLES.map { |path| File.read(path) }.join("\n").freeze
    SHEET_NAME = "css/windlass.css"

    # @param folder [String]
    # @return [Hash{String => String}] where the files below it lie, by the path below it
    def self.below(folder) =
      Dir["#{folder}/**/*"].select { |path| File.file?(path) }.to_h { |path| [path.delete_prefix("#{folder}/"), path] }

    # Where each lies, by its name in an address.
    FILES = {
      **below("#{ROOT}/shared/public"),
      **below(VOICE).transform_keys { |name| "voice/#{name}" },
      **Dir["#{ROOT}/*/scripts/*.js"].to_h { |path| ["js/#{File.basename(path)}", path] }
    }.sort.to_h.freeze
    DIGEST =
      FILES
        .each_with_object(Digest::SHA256.new << SHEET) { |(name, path), digest| digest << name << File.binread(path) }
        .hexdigest[0, 12].freeze
    PREFIX = "/assets/#{DIGEST}"
    # What goes out is as small as it gets: nobody packs it again.
    HEADERS = {
      "cache-control" => "public, max-age=31536000, immutable, no-transform", "x-content-type-options" => "nosniff"
    }.freeze
    # Fonts and sounds are packed by what they are.
    TEXTS = %w[.css .js .json .svg .txt .webmanifest].freeze

    # @param name [String] of {FILES}, or of the sheet
    # @return [String] address
    def self.path(name) = "#{PREFIX}/#{name}"

    # @return [Array<String>] addresses of all that a session may need without a network
    def self.parts
      @parts ||=
        [SHEET_NAME, *FILES.keys]
          .reject { |name| name.include?("licences/") || further_voice?(name) }
          .map { |name| path(name) }
          .freeze
    end

    # Whoever likes another voice takes along what a session needs of it.
    def self.further_voice?(name) = name.match?(%r{\Avoice/[^/]+/})
    private_class_method :further_voice?, :below

    # What a view says its parts act with, and what a part acts with that comes to the page later: `x-data="deck"` is
    # the function `deck` of `deck.js`, `data-x-data="marginMap"` that of `margin_map.js`. One beginning for both is
    # found twenty times as fast as two.
    ACTS = /x-data="([A-Za-z]+)"/

    # @param markup [String] of a page
    # @return [Array<String>] addresses of its scripts
    def self.acting(markup) = markup.scan(ACTS).flatten.uniq.map { |name| path("js/#{name.underscore}.js") }

    # @return [#call] a Rack application for everything below {PREFIX}
    def self.files
      sent = Rack::Files.new(ROOT, HEADERS)
      lambda do |env|
        name = env["PATH_INFO"].delete_prefix("/")
        next [404, {"content-type" => "text/plain"}, ["Not found\n"]] unless name == SHEET_NAME || FILES.key?(name)

        request = Rack::Request.new(env)
        next text(name, request) if TEXTS.include?(File.extname(name))

        sent.serving(request, FILES.fetch(name))
      end
    end

    # @return [Array(Integer, Hash, Array<String>)] an answer of Rack's
    def self.text(name, request)
      type = "#{Rack::Mime.mime_type(File.extname(name))}; charset=utf-8"
      headers = {"content-type" => type, "vary" => "accept-encoding", **HEADERS}
      return [200, headers, [written(name)]] if request.accept_encoding.none? { |way, wish| way == "gzip" && wish > 0 }

      [200, headers.merge("content-encoding" => "gzip"), [packed(name)]]
    end

    # Once for all who ask.
    def self.packed(name)
      @packed ||= {}
      @packed[name] ||= Zlib.gzip(written(name), level: Zlib::BEST_COMPRESSION)
    end

    def self.written(name) = (name == SHEET_NAME) ? SHEET : File.binread(FILES.fetch(name))
    private_class_method :text, :packed, :written
  end
end
