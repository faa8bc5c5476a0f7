# frozen_string_literal: true

# The dose of the rung to which readiness put somebody who comes back: it is theirs as soon as the session has been run.
class KeepWhereWhoComesBackStands < ActiveRecord::Migration[7.2]
  def change
    add_column :sessions, :lowered_to, :json
  end
end
