# frozen_string_literal: true

module Windlass
  # Who does what is done just now: of a request, or of a job that somebody began.
  module Doing
    KEY = :windlass_person

    # @return [Records::Person, nil] nil: the house itself, or a link without a person
    def self.person = ActiveSupport::IsolatedExecutionState[KEY]

    # @param person [Records::Person, nil]
    def self.person=(person)
      ActiveSupport::IsolatedExecutionState[KEY] = person
    end

    # @param person_id [Integer, nil] who began a job; nil: the house itself
    # @return [Records::Account, Sight] what they see while it is done
    def self.seen(account, person_id, now)
      person = person_id && Records::Person.open.find_by(id: person_id)
      return account unless person_id

      Sight.new(account, Policies::Coaches.new(person, on: now.to_date))
    end
  end
end
