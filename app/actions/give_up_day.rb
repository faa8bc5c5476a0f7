# frozen_string_literal: true

module Windlass
  module Actions
    # No more sets today: the day may be judged as it is. Or there are some after all.
    module GiveUpDay
      def self.call(session, given_up: true)
        raise Error, "This day is decided already." if session.prescription.moves.exists?(local_date: session.local_date)

        session.update!(given_up: given_up)
      end
    end
  end
end
