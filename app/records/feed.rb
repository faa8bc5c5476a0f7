# frozen_string_literal: true

module Windlass
  module Records
    # A secret address under which a calendar reads a programme.
    class Feed < Record
      self.table_name = "feeds"
      belongs_to :group, optional: true
      belongs_to :athlete, optional: true
    end
  end
end
