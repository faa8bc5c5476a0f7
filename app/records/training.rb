# frozen_string_literal: true

module Windlass
  module Records
    # A prescription that is planned so many times a week.
    class Training < Record
      self.table_name = "trainings"
      belongs_to :programme
      belongs_to :prescription
    end
  end
end
