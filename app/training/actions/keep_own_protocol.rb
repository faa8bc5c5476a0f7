# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps a protocol of the coach's own. What is kept already, to the letter, is not kept twice: a double click makes
    # one.
    module KeepOwnProtocol
      # @param dose [Hash] with its breaks
      # @return [Records::OwnProtocol]
      def self.call(account, protocol:, name:, dose:, note:)
        account.transaction do
          same =
            account
              .own_protocols
              .where(protocol: protocol.id, name: name, note: note)
              .find { |own| own.to_dose == dose }
          next same if same

          RenderWords.later(dose)
          account.own_protocols.create!(
            account_id: account.id, protocol: protocol.id, name: name, dose: dose, note: note
          )
        end
      end
    end
  end
end
