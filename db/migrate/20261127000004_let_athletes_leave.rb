# frozen_string_literal: true

# Who has left stands in the log, and no longer on Today. A link for the morning score can be revoked: those made before
# it are dead then.
class LetAthletesLeave < ActiveRecord::Migration[7.2]
  def change
    add_column :athletes, :left_on, :date
    add_column :athletes, :morning_links_revoked, :integer, null: false, default: 0
  end
end
