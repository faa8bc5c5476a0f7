# frozen_string_literal: true

module Windlass
  module Formats
    # Text as programs write it: UTF-8 with or without a byte order mark, UTF-16 (which spreadsheets call Unicode text),
    # Windows-1252; lines that end in one way or another.
    module Text
      MARKS = {
        "\xEF\xBB\xBF".b => Encoding::UTF_8,
        "\xFF\xFE".b => Encoding::UTF_16LE,
        "\xFE\xFF".b => Encoding::UTF_16BE
      }.freeze
      # So much is looked at where no mark says it.
      LOOKED_AT = 400
      LEAST_LOOKED_AT = 16

      # @param bytes [String]
      # @return [String] UTF-8, each line ended by a line feed
      # @raise [InvalidInput] where it is no text
      def self.of(bytes)
        raw = bytes.b
        mark, encoding = MARKS.find { |start, _| raw.start_with?(start) }
        text = decoded(mark ? raw.delete_prefix(mark) : raw, encoding || unmarked(raw))
        raise InvalidInput, ["file: is no text"] if text.include?("\u0000")

        text.gsub(/\r\n?/, "\n")
      end

      # Every other byte of plain words is zero.
      def self.unmarked(raw)
        start = raw.byteslice(0, LOOKED_AT).bytes
        zeros = start.each_index.select { |index| start[index].zero? }
        return if zeros.size * 3 < start.size || start.size < LEAST_LOOKED_AT

        zeros.all?(&:odd?) ? Encoding::UTF_16LE : (Encoding::UTF_16BE if zeros.all?(&:even?))
      end

      def self.decoded(raw, encoding)
        utf8 = raw.dup.force_encoding(Encoding::UTF_8)
        return utf8 if encoding.nil? && utf8.valid_encoding?

        raw.force_encoding(encoding || Encoding::WINDOWS_1252).encode(
          Encoding::UTF_8,
          invalid: :replace,
          undef: :replace
        )
      end
      private_class_method :unmarked, :decoded
    end
  end
end
