# frozen_string_literal: true

require_relative "../marks"

# A slot of today is named after the group that trains in it: another name changes the desk of all whom the group plans.
class AGroupsNameIsOnTheDesk < ActiveRecord::Migration[7.2]
  include Marks

  def up
    trigger(
      "desk_of_groups_update",
      'AFTER UPDATE OF name ON "groups"',
      "UPDATE athletes SET desk_mark = #{random} WHERE id IN (SELECT athlete_id FROM programmes WHERE group_id = " \
      "NEW.id)"
    )
  end
end
