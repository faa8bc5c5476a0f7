# frozen_string_literal: true

# A dose from the composer may be run once, beside the ladder that runs; and what a prescription ended can be brought
# back.
class RunOnceBesideALadder < ActiveRecord::Migration[7.2]
  def change
    add_column :prescriptions, :run_once, :boolean, null: false, default: false
    add_column :prescriptions, :replaces_id, :bigint
  end
end
