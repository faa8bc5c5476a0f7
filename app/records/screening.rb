# frozen_string_literal: true

module Windlass
  module Records
    class Screening < Record
      self.table_name = "screenings"
      reads :conditions
      seals :conditions
      belongs_to :athlete

      # Answers that can not be read are no answers: whoever they are of is asked anew before anything is held.
      def readable? = super(:conditions)

      # @return [Boolean] what binds today: no later answers
      def newest? = athlete.newest_screening == self
    end
  end
end
