# frozen_string_literal: true

# Locks are switched on for an athlete, not for one prescription; whoever begins higher than the lowest rung has a
# reason; a round says which hold of the timeline it was, or none where it was a sounded exhale: a session may have
# both.
class ComposeAsPractised < ActiveRecord::Migration[7.2]
  def up
    add_column :athletes, :locks, :boolean, null: false, default: false
    add_column :prescriptions, :started_because, :text, null: false, default: ""
    add_column :rounds, :hold, :integer
    execute "UPDATE rounds SET hold = number WHERE session_id NOT IN (SELECT id FROM sessions WHERE protocol IN " \
      "('hiss-ladder', 'stacked-exhale'))"
    # A house that has just been made has nothing to carry over, whatever database it stands on.
    return unless select_value("SELECT 1 FROM prescriptions LIMIT 1")

    execute "UPDATE athletes SET locks = 1 WHERE id IN (SELECT athlete_id FROM prescriptions WHERE " \
      "json_extract(limits, '$.locks') = 1)"
    execute "UPDATE prescriptions SET limits = json_remove(limits, '$.locks')"
  end

  def down = raise(ActiveRecord::IrreversibleMigration)
end
