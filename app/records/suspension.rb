# frozen_string_literal: true

module Windlass
  module Records
    # No hold work: a stop until a clinician's clearance, a rest until its day.
    class Suspension < Record
      self.table_name = "suspensions"
      belongs_to :athlete
      # It comes from a session, from a measure, from a dive, or from what somebody told.
      belongs_to :dive, optional: true
      belongs_to :complaint, optional: true
      belongs_to :session, optional: true
      belongs_to :measure, optional: true

      # @return [String] ` by Maren`
      def by_whom = Person.by(opened_by)

      def stop? = kind == "stop"

      def binds_on?(date)
        stop? ? lifted_at.nil? : date < until_on
      end
    end
  end
end
