# frozen_string_literal: true

module Windlass
  module Records
    # No hold work: a stop until a clinician's clearance, a rest until its day.
    class Suspension < Record
      self.table_name = "suspensions"
      belongs_to :athlete
      belongs_to :session

      def stop? = kind == "stop"

      def binds_on?(date)
        stop? ? lifted_at.nil? : date < until_on
      end
    end
  end
end
