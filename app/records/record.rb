# frozen_string_literal: true

module Windlass
  # The tables: columns, associations, queries, and the way to the core's values. Nothing is decided here.
  module Records
    class Record < ActiveRecord::Base
      self.abstract_class = true

      # What was sent twice is kept once, also where both come at the same moment to two processes.
      # @param among [ActiveRecord::Relation]
      # @param uuid [String, nil] of the form; without one nothing is the same
      # @yieldreturn [Record] of that uuid
      # @raise [ActiveRecord::RecordNotUnique] where it is somebody else's
      def self.once(among, uuid)
        known = -> { among.find_by(uuid: uuid) if uuid }
        transaction(requires_new: true) { known.call || yield }
      rescue ActiveRecord::RecordNotUnique
        known.call or raise
      end

      # Doses are stored as JSON; the core's doses have symbols for keys, down to their breaks.
      def self.dose(hash) = hash && Protocols.dose(hash)
    end
  end
end
