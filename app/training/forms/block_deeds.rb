# frozen_string_literal: true

module Windlass
  module Forms
    # What a button of the composer wants of the blocks.
    module BlockDeeds
      # @param deed [String] `add`, `up:2`, `down:2`, `copy:2`, `remove:2`, `series:2`
      # @param added [Hash, nil] a new block as it is typed
      # @return [Array(#call, String), nil] the change, and the key of the block that it is about
      def self.of(deed, blocks, added: nil)
        kind, key = deed.split(":", 2)
        fresh = next_key(blocks)
        case kind
        when "add"
          [->(known) { added ? known.merge(fresh => added) : known }, fresh]
        when "copy"
          [->(known) { known.flat_map { |one| (one.first == key) ? [one, [fresh, one.last]] : [one] }.to_h }, fresh]
        when "series"
          [->(known) { BlockSeries.made(known, key) }, key]
        when "remove"
          [->(known) { known.except(key) }, nil]
        when "up", "down"
          [->(known) { moved(known.to_a, key, kind) }, key]
        end
      end

      def self.next_key(blocks) = ((blocks.keys.map(&:to_i).max || 0) + 1).to_s

      def self.moved(list, key, way)
        at = list.index { |one, _| one == key } or return list.to_h
        to = at + ((way == "up") ? -1 : 1)
        list.insert(to, list.delete_at(at)) if to.between?(0, list.size - 1)
        list.to_h
      end
      private_class_method :moved
    end
  end
end
