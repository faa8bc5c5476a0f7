# frozen_string_literal: true

module Windlass
  module Records
    # Columns that lie encrypted in the database, by Active Record's encryption (AES-256-GCM), under the key of the
    # house. What lay there plain before is read as it is. What no key opens reads as nothing, and is never written
    # over: the key may be found again.
    module Sealed
      # What a text reads as that no key opens.
      LOST = "(can not be read: the key of the house is missing)"
      # In place of JSON: neither the list nor the mapping that is meant, so it reads as an empty one.
      NEITHER = '""'

      # @return [Array<Class>] that have such columns
      def self.records = @records || []

      def self.note(record) = @records = records | [record]

      # So many rows are looked at; of bytes, which may be long, one.
      SOME = 100

      # @return [Boolean] no key opens the oldest or the newest of something that is sealed
      def self.lost? =
        records.any? do |record|
          record.openings.any? do |column, opening|
            %i[asc desc].any? do |order|
              some = record.unscoped.order(id: order).limit(record.bytes?(column) ? 1 : SOME)
                .pluck(record.lying(column))
              some.find { |text| opening.encrypted?(text) }&.then { |text| opening.lost?(text) }
            end
          end
        end

      # @param columns [Array<Symbol>]
      # @param lost [String] what is read where no key opens it
      # @param compress [Boolean] before it is sealed
      def seals(*columns, lost: NEITHER, compress: true)
        opening = Opening.new(lost, compress: compress)
        Sealed.note(self)
        @openings = openings.merge(columns.to_h { |column| [column.to_s, opening] })
        encrypts(*columns, key_provider: HouseKey, encryptor: opening)
        before_update { columns.each { |column| keep_what_is_lost(column.to_s) } }
      end

      # @param column [String] that is sealed
      # @return [Arel::Nodes::As] what lies in it, to be plucked as it lies
      def lying(column)
        lies = arel_table[column]
        unless bytes?(column)
          lies = Arel::Nodes::NamedFunction.new("CAST", [lies.as(Arel.sql("text"))])
        end
        lies.as("lies_#{column}")
      end

      # @return [Boolean]
      def bytes?(column) = columns_hash.fetch(column).type == :binary

      # @return [Hash{String => Opening}] by column
      def openings = @openings || {}

      # Seals, and opens what one of the keys opens.
      class Opening < ActiveRecord::Encryption::Encryptor
        # A list opens the answers of everybody on it, and to open one takes a fifth of a millisecond: what was opened
        # lately is kept, as long as the keys are the same.
        KEPT = BoundedCache.new(4_000)
        KEPT_BYTES = 1_000

        def initialize(lost, compress:)
          super(compress: compress)
          @lost = lost
        end

        # @param clear [String]
        # @return [String]
        def encrypt(clear, key_provider: HouseKey, **) = super

        # @return [String] as it is where it was never sealed
        def decrypt(text, key_provider: HouseKey, **options)
          text = unescaped(text)
          return opened(text) { super(text, key_provider: key_provider, **options) } if text.bytesize > KEPT_BYTES

          KEPT.fetch([HouseKey.read, @lost, text]) do
            opened(text) { super(text, key_provider: key_provider, **options) }.freeze
          end
        end

        # @return [Boolean] what it reads as says that it is lost
        def tells? = @lost == LOST

        # @return [Boolean] no key opens it
        def lost?(text) = !text.nil? && encrypted?(text) && decrypt(text) == @lost

        private

        def opened(text)
          yield
        rescue ActiveRecord::Encryption::Errors::Decryption
          encrypted?(text) ? @lost : text
        end

        # Bytes come as such, or from PostgreSQL as their hexadecimal digits.
        def unescaped(lies)
          text = lies.to_s
          text.start_with?("\\x7b") ? [text[2..]].pack("H*") : text
        end
      end
    end
  end
end
