# frozen_string_literal: true

module Windlass
  module Cli
    # `stagger [FILE]`: the lanes of a squad in, when each starts out.
    module Stagger
      NAME = "stagger"
      USAGE = "stagger [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] JSON
      # @return [Hash] starts by id, collisions, overlap_s, ends_s
      # @raise [InvalidInput]
      def self.call(text, _options)
        data = Formats::JsonInput.of("stagger.schema.json").read(text)
        lanes =
          data
            .fetch("lanes")
            .map do |lane|
              Squad::Lane.new(
                id: lane.fetch("id"),
                seconds: lane.fetch("seconds"),
                holds: lane.fetch("holds"),
                pair: lane["pair"]
              )
            end
        faults = faults(lanes)
        raise InvalidInput, faults if faults.any?

        Squad::Stagger.of(
          lanes,
          gap_s: data.fetch("gap_s", Squad::Stagger::GAP_S),
          latest_s: data.fetch("latest_s", Squad::Stagger::LATEST_S)
        ).to_h
      end

      def self.faults(lanes)
        ids = lanes.map(&:id)
        lanes.each_with_index.flat_map do |lane, index|
          path = "lanes[#{index}]"
          [
            ("#{path}.id: #{Error.shown(lane.id)} comes twice; allowed: every id once" if ids.count(lane.id) > 1),
            pair(lane, lanes, path),
            *holds(lane, path)
          ].compact
        end
      end

      def self.pair(lane, lanes, path)
        return if lane.pair.nil?

        other = lanes.find { |one| one.id == lane.pair && one != lane }
        unless other&.pair == lane.id
          "#{path}.pair: #{Error.shown(lane.pair)} is not allowed; allowed: another lane that names #{lane.id} as " \
          "its pair"
        end
      end

      def self.holds(lane, path)
        lane.holds.each_with_index.filter_map do |(start, length), index|
          if start + length > lane.seconds
            "#{path}.holds[#{index}]: #{start} to #{start + length} s is not allowed; allowed: within the " \
            "#{lane.seconds} s of the lane"
          end
        end
      end
      private_class_method :faults, :pair, :holds
    end
  end
end
