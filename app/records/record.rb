# frozen_string_literal: true

module Windlass
  # The tables: columns, associations, queries, and the way to the core's values. Nothing is decided here.
  module Records
    class Record < ActiveRecord::Base
      self.abstract_class = true

      # Doses are stored as JSON; the core's doses have symbols for keys.
      def self.dose(hash) = hash&.transform_keys(&:to_sym)&.freeze
    end
  end
end
