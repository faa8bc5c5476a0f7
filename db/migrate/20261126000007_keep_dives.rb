# frozen_string_literal: true

# Dives are logged; depth is never planned. What ends a diver's day stops all hold work like anything else.
class KeepDives < ActiveRecord::Migration[7.2]
  def up
    create_table(:dives) do |t|
      t.references :account, null: false, foreign_key: true, index: false
      t.references :athlete, null: false, foreign_key: true, index: false
      t.text :uuid, null: false, index: {unique: true}
      t.date :local_date, null: false
      t.datetime :down_at, null: false
      t.float :seconds, null: false
      t.float :depth_m
      t.boolean :hard, null: false, default: false
      t.boolean :short, null: false, default: false
      t.text :signs, null: false, default: ""
      t.text :buddy, null: false, default: ""
      t.float :weight_kg
      t.boolean :line, null: false, default: false
      t.text :note, null: false, default: ""
      t.index %i[athlete_id down_at], unique: true
      t.index %i[account_id local_date id]
      t.check_constraint "seconds > 0 AND seconds <= 1200", name: "dives_seconds"
      t.check_constraint "depth_m IS NULL OR depth_m BETWEEN 0 AND 200", name: "dives_depth_m"
      t.check_constraint "weight_kg IS NULL OR weight_kg BETWEEN 0 AND 40", name: "dives_weight_kg"
      t.check_constraint "signs IN ('', 'well', 'shaking', 'blackout')", name: "dives_signs"
    end
    add_reference :suspensions, :dive, foreign_key: true, index: false
    remove_check_constraint :suspensions, name: "suspensions_come_from_one_thing"
    add_check_constraint :suspensions,
      "(CASE WHEN session_id IS NULL THEN 0 ELSE 1 END) + (CASE WHEN measure_id IS NULL THEN 0 ELSE 1 END) + (CASE " \
      "WHEN dive_id IS NULL THEN 0 ELSE 1 END) = 1",
      name: "suspensions_come_from_one_thing"
  end

  def down = raise(ActiveRecord::IrreversibleMigration)
end
