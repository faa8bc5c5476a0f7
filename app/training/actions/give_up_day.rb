# frozen_string_literal: true

module Windlass
  module Actions
    # No more sets today: the day may be judged as it is. Or there are some after all.
    module GiveUpDay
      def self.call(session, given_up: true)
        if session.prescription.moves.exists?(local_date: session.local_date)
          raise Error, "This day is decided already."
        end

        session.update!(given_up: given_up)
      end
    end
  end
end
