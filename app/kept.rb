# frozen_string_literal: true

module Windlass
  # What was worked out once and may be asked for again: so many, and where there are more the one that was not asked for longest goes.
  # Keys say all that an answer depends on, so nothing in here is ever out of date, whichever process asks.
  class Kept
    # @param most [Integer]
    def initialize(most)
      @most = most
      @kept = {}
      @lock = Mutex.new
    end

    # @param key [Object] compared by value
    # @yieldreturn what is kept; worked out outside the lock, twice at worst
    def fetch(key)
      @lock.synchronize { return @kept[key] = @kept.delete(key) if @kept.key?(key) }
      found = yield
      @lock.synchronize do
        @kept[key] = found
        @kept.shift if @kept.size > @most
      end
      found
    end

    # @param keys [Array]
    # @yieldparam missing [Array] keys of which nothing is kept; @yieldreturn [Hash] what is kept of each
    # @return [Array] in the order of the keys
    def fetch_all(keys)
      known = @lock.synchronize { keys.select { |key| @kept.key?(key) }.to_h { |key| [key, @kept[key] = @kept.delete(key)] } }
      missing = keys.reject { |key| known.key?(key) }
      fresh = missing.empty? ? {} : yield(missing)
      @lock.synchronize do
        fresh.each { |key, value| @kept[key] = value }
        @kept.shift while @kept.size > @most
      end
      keys.map { |key| known.fetch(key) { fresh.fetch(key) } }
    end

    # @return [Integer]
    def size = @lock.synchronize { @kept.size }

    def clear = @lock.synchronize { @kept.clear }
  end
end
