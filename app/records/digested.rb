# frozen_string_literal: true

require "digest"

module Windlass
  module Records
    # Of what opens something only a digest is kept: another for each kind of record, which says what it is of.
    module Digested
      # @param kind [String] `letter`
      def digests(kind)
        @digests = kind
      end

      # @param secret [String] of a link, or what else is not to stand there
      # @return [String]
      def digested(secret) = Digest::SHA256.hexdigest("#{@digests} #{secret}")
    end
  end
end
