# frozen_string_literal: true

module Windlass
  # What was worked out once and may be asked for again: so many, and where there are more those go that were not asked
  # for lately. Keys say all that an answer depends on, so nothing in here is ever out of date, whichever process asks.
  class BoundedCache
    NOTHING = Object.new.freeze
    private_constant :NOTHING

    # @param most [Integer] the half of them that was asked for last is there for certain
    def initialize(most)
      @half = [most / 2, 1].max
      @lock = Mutex.new
      clear
    end

    # @param key [Object] compared by value
    # @yieldreturn what is kept; worked out outside the lock, twice at worst
    def fetch(key)
      known = @lock.synchronize { look(key) }
      return known unless known.equal?(NOTHING)

      yield.tap { |fresh| @lock.synchronize { keep(key, fresh) } }
    end

    # @param keys [Array]
    # @yieldparam missing [Array] keys of which nothing is kept; @yieldreturn [Hash] what is kept of each
    # @return [Array] in the order of the keys
    def fetch_all(keys)
      known = @lock.synchronize { keys.map { |key| look(key) } }
      missing = keys.zip(known).filter_map { |key, value| key if value.equal?(NOTHING) }
      return known if missing.empty?

      fresh = yield(missing)
      @lock.synchronize { fresh.each { |key, value| keep(key, value) } }
      keys.zip(known).map { |key, value| value.equal?(NOTHING) ? fresh.fetch(key) : value }
    end

    # @return [Integer]
    def size = @lock.synchronize { @young.size + @old.size }

    def clear
      @young = {}
      @old = {}
    end

    private

    # What was asked for since the younger half filled is young; looking there costs one look.
    def look(key) = @young.fetch(key) { @old.key?(key) ? keep(key, @old.delete(key)) : NOTHING }

    def keep(key, value)
      (@old = @young) && (@young = {}) if @young.size >= @half
      @young[key] = value
    end
  end
end
