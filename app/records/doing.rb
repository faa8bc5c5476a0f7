# frozen_string_literal: true

module Windlass
  module Records
    # Who does what is done just now: of a request, or of a job that somebody began.
    module Doing
      KEY = :windlass_person

      # @return [Person, nil] nil: the house itself, or a link without a person
      def self.person = ActiveSupport::IsolatedExecutionState[KEY]

      # @return [String] theirs; nothing where it is nobody
      def self.uuid = person&.uuid.to_s

      # @param person [Person, nil]
      def self.person=(person)
        ActiveSupport::IsolatedExecutionState[KEY] = person
      end
    end
  end
end
