# frozen_string_literal: true

module Windlass
  module Screening
    # A clinician's word that some columns may be used, until a day.
    Clearance =
      Value.define(:columns, :given_on, :expires_on) do
        def covers?(column, on) = columns.include?(column) && (given_on..expires_on).cover?(on)
      end
  end
end
