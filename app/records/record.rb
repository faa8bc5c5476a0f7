# frozen_string_literal: true

module Windlass
  # The tables: columns, associations, queries, and the way to the core's values. Nothing is decided here.
  module Records
    class Record < ActiveRecord::Base
      self.abstract_class = true

      # Doses are stored as JSON; the core's doses have symbols for keys, down to their breaks.
      def self.dose(hash) = hash && Protocols.dose(hash)
    end
  end
end
