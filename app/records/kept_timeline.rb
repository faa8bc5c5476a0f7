# frozen_string_literal: true

require "digest"

module Windlass
  module Records
    # The plan of a session, second by second. Sessions of the same plan share one; it never changes.
    class KeptTimeline < Record
      self.table_name = "timelines"

      # Plans that were read lately: a page asks for the same several times, twelve lanes for twelve.
      READ = BoundedCache.new(120)

      # @param before [Array<Windlass::Timeline::Segment>] what came before its first second
      # @return [Windlass::Timeline::Compiled]
      def compiled(before:) =
        READ.fetch([digest, before]) do
          Windlass::Timeline::Compiled.new(
            segments.map { |segment| Windlass::Timeline::Segment.from_h_plain(segment) },
            before: before
          )
        end

      # @param plans [Array<Array<Hash>>] segments of several
      # @return [Hash{Array<Hash> => Integer}] ids, of what was there and of what is kept now
      def self.keep(plans)
        digests = plans.uniq.to_h { |segments| [segments, digest_of(segments)] }
        if digests.any?
          insert_all(digests.map { |segments, digest| {digest: digest, segments: segments} }, unique_by: :digest)
        end
        ids = where(digest: digests.values).pluck(:digest, :id).to_h
        digests.transform_values { |digest| ids.fetch(digest) }
      end

      # @param segments [Array<Hash>]
      # @return [KeptTimeline]
      def self.of(segments) = find_by(digest: digest_of(segments)) || find(keep([segments]).fetch(segments))

      # @return [String] of what stands in the table
      def self.digest_of(segments) = Digest::SHA256.hexdigest(JsonText.of(segments))
      private_class_method :digest_of
    end
  end
end
