# frozen_string_literal: true

require "tempfile"

module Windlass
  # The door through which everything comes that is not in the path: hashes, lists and texts of whole characters, and
  # files apart from them. What a form does not type is typed here; nothing else looks into a request.
  module RequestParameters
    # Bytes of a request's body, by what it is. A half-hour oximeter trace as CSV has some 60 kB.
    MOST_BYTES = {file: 2_000_000, other: 512_000}.freeze
    # Some files are longer: an archive of a place, tables, and as many dives as their format takes.
    MOST_BYTES_AT = {
      %r{\A/place/import\z} => 96_000_000,
      %r{\A/log/table\z} => 15_000_000,
      %r{\A/athletes/\d+/dives\z} => Formats::Uddf::MOST_BYTES + 10_000
    }.freeze
    MOST_CHARACTERS = 500
    # Entries of a list in a form; no form of ours has a longer one.
    MOST_LISTED = 100

    # Refuses by size before anything is read: the application then answers with a page of its own.
    class SizeLimit
      TOO_LARGE = "windlass.too_large"

      def initialize(app) = @app = app

      def call(env)
        most =
          MOST_BYTES_AT.find { |path, _| path.match?(env["PATH_INFO"]) }&.last ||
          MOST_BYTES.fetch(env["CONTENT_TYPE"].to_s.start_with?("multipart/") ? :file : :other)
        return @app.call(env) if env["CONTENT_LENGTH"].to_i <= most && env["CONTENT_LENGTH"] !~ /\A\s*-/

        @app.call(env.merge("rack.input" => StringIO.new, "CONTENT_LENGTH" => "0", TOO_LARGE => most))
      end
    end

    # @param value [Object] parameters as they came
    # @return [Object] the same with texts of whole characters; what is no text, hash or list is left out
    def self.cleaned(value)
      case value
      when Hash
        value.each_with_object(Sinatra::IndifferentHash.new) do |(key, inner), clean|
          (found = cleaned(inner)).nil? || clean[key.to_s.scrub] = found
        end
      when Array
        if value.size > MOST_LISTED
          raise Error, "A list of #{value.size} is not allowed; allowed: up to #{MOST_LISTED}."
        end

        value.filter_map { |inner| cleaned(inner) }
      when String
        value.dup.force_encoding(Encoding::UTF_8).scrub.delete("\u0000")
      end
    end

    # @return [Boolean] a file that was sent as one, not a form that says so
    def self.upload?(value) = value.is_a?(Hash) && value[:tempfile].is_a?(Tempfile)

    # To be called before anything else looks at the parameters.
    def pass_the_door
      halt_too_large(request.env[SizeLimit::TOO_LARGE]) if request.env[SizeLimit::TOO_LARGE]
      @uploads = params.select { |_, value| RequestParameters.upload?(value) }
      self.params = RequestParameters.cleaned(params.except(*@uploads.keys))
    end

    # @return [String] empty where nothing was said, or nothing that is text
    def said(key) = params[key].is_a?(String) ? params[key].scrub.strip[0, MOST_CHARACTERS] : ""

    # @return [Integer] 0 where no whole number was said
    def whole(key) = Integer(said(key), 10, exception: false) || 0

    # @return [String] bytes of the file, in whatever encoding
    # @raise [Error] where none was sent
    def uploaded_bytes(key)
      file = @uploads[key] or raise Error, "No file was chosen."
      file[:tempfile].read
    end

    # @return [Array<String>] whole numbers of a list that was chosen
    def listed(key) = Array(params[key]).grep(/\A\d{1,15}\z/)

    # @return [String] text of the file
    # @raise [Error] where none was sent
    def uploaded(key)
      Formats::Text.of(uploaded_bytes(key))
    end
  end
end
