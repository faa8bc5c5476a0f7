# frozen_string_literal: true

module Windlass
  module Records
    # Athletes who share times of the week.
    class Group < Record
      self.table_name = "groups"
      belongs_to :account
      has_many :members
      has_many :athletes, -> { active.by_name }, through: :members
      has_many :slots, -> { in_order }, dependent: :destroy
      has_many :events, -> { order(:local_date, :id) }
      has_many :programmes
      has_one :feed

      scope :by_name, -> { order(Arel.sql("lower(name)"), :id) }
    end
  end
end
