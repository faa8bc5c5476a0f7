# frozen_string_literal: true

module Windlass
  module Forms
    # One block becomes a series: the same again for each further choice of one of its fields, moved alike from then on.
    module BlockSeries
      # What is chosen of the whole session, or says nothing of how a block is done.
      NEVER = %i[entered practice note note_way counted_by].freeze

      # @param protocol [Protocols::Protocol]
      # @return [Array<Protocols::Parameter>] what a series of this family may go through
      def self.choices(protocol) =
        protocol.parameters.select { |one| one.options && !NEVER.include?(one.key) && one.options.size > 1 }

      # @param known [Hash] typed blocks by key
      # @param key [String] of the block; its `through` says which choice
      # @return [Hash] typed blocks
      def self.made(known, key)
        block = known[key]
        through = block && choices(Protocols.family(block["protocol"])).find { |one| one.key.to_s == block["through"] }
        return known if through.nil?

        whole = block.merge("series" => next_series(known))
        fresh = BlockDeeds.next_key(known).to_i
        more = others(whole, through).each_with_index.map { |one, place| [(fresh + place).to_s, one] }
        known.flat_map { |one, typed| (one == key) ? [[key, whole], *more] : [[one, typed]] }.to_h
      end

      def self.next_series(known) = (known.values.map { |one| one["series"].to_i }.max.to_i + 1).to_s

      # @return [Array<Hash>] the block with each choice that it has not, in their order
      def self.others(block, parameter)
        dose = block["dose"].is_a?(Hash) ? block["dose"] : {}
        now = dose.fetch(parameter.key.to_s, "").to_s
        now = parameter.options.keys.first.to_s if now.empty?
        parameter.options.keys.map(&:to_s).reject { |one| one == now }.map do |one|
          block.merge("dose" => dose.merge(parameter.key.to_s => one))
        end
      end
      private_class_method :next_series, :others
    end
  end
end
