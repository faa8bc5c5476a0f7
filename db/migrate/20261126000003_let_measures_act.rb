# frozen_string_literal: true

# Mouth breathing by day is no sign of bad sleep; a paused measure is asked for again; cold is logged.
class LetMeasuresAct < ActiveRecord::Migration[7.2]
  def change
    change_table(:athletes) do |t|
      t.boolean :busy_signs, null: false, default: false
      t.date :control_pause_again_on
    end
    create_table(:colds) do |t|
      t.references :account, null: false, foreign_key: true
      t.references :athlete, null: false, foreign_key: {on_delete: :cascade}, index: false
      t.text :uuid, null: false, index: {unique: true}
      t.date :local_date, null: false
      t.datetime :ended_at, null: false
      t.integer :stage, null: false
      t.float :minutes, null: false
      t.boolean :calm, null: false
      t.text :why_out, null: false
      t.text :watcher, null: false, default: ""
      t.text :note, null: false, default: ""
      t.index %i[athlete_id ended_at]
      t.check_constraint "stage BETWEEN 0 AND 3", name: "colds_stage"
      t.check_constraint "minutes > 0 AND minutes <= 60", name: "colds_minutes"
    end
  end
end
