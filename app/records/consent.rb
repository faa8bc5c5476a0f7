# frozen_string_literal: true

module Windlass
  module Records
    # That somebody agreed to what is kept of them, or a guardian for them: to which version, when, and until when.
    class Consent < Record
      self.table_name = "consents"

      belongs_to :account
      belongs_to :athlete

      # @return [Boolean] a guardian's word ends with the eighteenth birthday, that of somebody under age counts for
      #   nothing
      def holds?(athlete, on) = ended_at.nil? && guardian.empty? != Consents.minor?(athlete, on)
    end
  end
end
