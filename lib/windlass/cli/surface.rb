# frozen_string_literal: true

require "time"

module Windlass
  module Cli
    # `surface [FILE]`: dives in, how long to stay up after each out.
    module Surface
      NAME = "surface"
      USAGE = "surface [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] JSON
      # @return [Hash] dives and earliest_next, in the zone that the dives are written in
      # @raise [InvalidInput]
      def self.call(text, _options)
        data = Formats::JsonInput.of("surface.schema.json").read(text)
        given = data.fetch("dives")
        dives = given.each_with_index.map { |dive, index| dive(dive, "dives[#{index}]") }
        faults = faults(dives)
        raise InvalidInput, faults if faults.any?

        margin = data.fetch("margin", 1)
        next_down = Water::Surface.earliest_next(dives, margin: margin)
        {
          dives: Water::Surface.rests(dives, margin: margin).map(&:to_h),
          earliest_next: next_down && written(next_down, given.last.fetch("down"))
        }
      end

      def self.dive(data, path)
        Water::Dive.new(
          down: moment(data.fetch("down"), "#{path}.down"),
          seconds: data.fetch("seconds"),
          depth_m: data["depth_m"],
          hard: data.fetch("hard", false)
        )
      end

      # A moment without a zone is one of the place; all are taken alike.
      def self.moment(text, path)
        found = Bounds.moment(zoned?(text) ? text : "#{text}Z")
        return found if found && found.to_date >= Bounds::EARLIEST

        raise InvalidInput,
          [
            "#{path}: #{Error.shown(text)} is not allowed; allowed: a moment such as 2026-03-02T10:00:00, from " \
            "#{Bounds::EARLIEST.year} on"
          ]
      end

      def self.zoned?(text) = text.match?(/(?:Z|[+-]\d{2}:\d{2})\z/)

      # To the second that is surely late enough, as the moments came.
      def self.written(time, like)
        whole = time.subsec.zero? ? time : time + (1 - time.subsec)
        zoned?(like) ? whole.iso8601 : whole.strftime("%Y-%m-%dT%H:%M:%S")
      end

      def self.faults(dives)
        dives
          .each_cons(2)
          .with_index(1)
          .filter_map do |(before, dive), index|
            next if dive.down >= before.up

            if dive.down < before.down
              "dives[#{index}].down: comes before the dive before it; allowed: in order of time"
            else
              "dives[#{index}].down: lies within the dive before it; allowed: after its end"
            end
          end
      end
      private_class_method :dive, :moment, :zoned?, :written, :faults
    end
  end
end
