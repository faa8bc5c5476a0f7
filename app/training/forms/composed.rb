# frozen_string_literal: true

module Windlass
  module Forms
    # A dose as it is composed: of one family, or of a session of blocks. Either has a name and a note where it is to be
    # kept.
    module Composed
      MOST_NAME = 80
      MOST_NOTE = 4000

      # @param protocol [Protocols::Protocol]
      # @return [DoseForm, BlocksForm]
      def self.parse(params, protocol:, **more) = form_of(protocol).new(params, protocol, **more)

      # @param dose [Hash]
      # @return [DoseForm, BlocksForm] filled with a dose
      def self.from(dose, protocol, name: nil, note: nil)
        form = form_of(protocol)
        form.new(form.shown(dose, protocol).merge("name" => name, "note" => note), protocol)
      end

      def self.form_of(protocol) = protocol.is_a?(Protocols::Blocks) ? BlocksForm : DoseForm
      private_class_method :form_of

      def dose = values[:dose]

      # Holds the names against what is allowed as well.
      def named
        @errors = @errors.merge(naming_errors)
        self
      end

      private

      def naming = {name: typed["name"].to_s.strip, note: typed["note"].to_s}

      # @return [Hash] what is wrong where it is to be kept: a name
      def naming_errors
        name = values[:name]
        return {"name" => "is missing"} if name.empty?
        return {"name" => "#{name.length} characters are too many; allowed: #{MOST_NAME}"} if name.length > MOST_NAME

        if values[:note].length > MOST_NOTE
          {"note" => "#{values[:note].length} characters are too many; allowed: #{MOST_NOTE}"}
        else
          {}
        end
      end

      # Bytes that are no text are shown as such, not choked on.
      def readable(value)
        case value
        when Hash
          value.transform_values { |inner| readable(inner) }
        when String
          value.scrub
        else
          value
        end
      end

      def hash(value) = value.is_a?(Hash) ? value : {}
    end
  end
end
