# frozen_string_literal: true

module Windlass
  module Records
    # Who is in a group.
    class Member < Record
      self.table_name = "members"
      belongs_to :group
      belongs_to :athlete
    end
  end
end
